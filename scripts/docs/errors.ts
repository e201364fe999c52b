/** docs/errors.md, made from the one table of error codes. */
import { ERRORS } from '../../core/errors';

export function errorsMarkdown(): string {
  const rows = Object.entries(ERRORS).map(([code, e]) => `| \`${code}\` | ${e.status} | ${e.title} | ${e.detail} |`);
  return [
    '# Error codes',
    '',
    'Made by `npm run docs` from `core/errors`. Do not edit. Every refusal is `application/problem+json` (RFC 9457) with one of these codes; bad input also has `errors: [{path, message}]`.',
    '',
    '| code | status | title | detail |',
    '|---|---|---|---|',
    ...rows,
    '',
  ].join('\n');
}
