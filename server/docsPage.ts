/** The readable page of the interface, made from the OpenAPI document. */
import { ERRORS } from '../core/errors';

interface Operation {
  summary?: string;
  parameters?: { name: string; in: string; required?: boolean; schema?: unknown; description?: string }[];
  requestBody?: { content: Record<string, { schema: unknown }> };
  responses?: Record<string, { content?: Record<string, { schema: unknown }> }>;
}
export interface OpenApi {
  info: { title: string; version: string; description?: string };
  paths: Record<string, Record<string, Operation>>;
}

const escape = (s: string) =>
  s.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);
const schema = (s: unknown) => `<pre>${escape(JSON.stringify(s, null, 1))}</pre>`;

export function docsPage(api: OpenApi): string {
  const parts = Object.entries(api.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, op]) => {
      const params = (op.parameters ?? [])
        .map(
          (p) =>
            `<li><code>${escape(p.name)}</code> (${p.in}${p.required ? ', required' : ''}) <code>${escape(JSON.stringify(p.schema ?? {}))}</code></li>`,
        )
        .join('');
      const body = op.requestBody
        ? `<details><summary>Body</summary>${schema(Object.values(op.requestBody.content)[0]?.schema)}</details>`
        : '';
      const reply = op.responses?.['200']?.content
        ? `<details><summary>Reply</summary>${schema(Object.values(op.responses['200'].content)[0]?.schema)}</details>`
        : '';
      return `<section><h2><code>${method.toUpperCase()} ${escape(path)}</code></h2><p>${escape(op.summary ?? '')}</p>${params ? `<ul>${params}</ul>` : ''}${body}${reply}</section>`;
    }),
  );
  const errors = Object.entries(ERRORS)
    .map(
      ([code, e]) =>
        `<tr id="${code}"><td><code>${code}</code></td><td>${e.status}</td><td>${escape(e.title)}</td><td>${escape(e.detail)}</td></tr>`,
    )
    .join('');
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1"><title>${escape(api.info.title)}: HTTP interface</title>
<style>body{font:17px/1.5 sans-serif;max-width:60rem;margin:2rem auto;padding:0 1rem;background:#f5f3ee;color:#1b2429}code,pre{font-family:monospace;font-size:15px}pre{overflow:auto;background:#e9e6df;padding:.75rem}section{border-top:1px solid #cdc7ba}h2{font-size:19px}td{padding:.25rem .75rem .25rem 0;vertical-align:top}</style></head>
<body><h1>${escape(api.info.title)}: HTTP interface ${escape(api.info.version)}</h1><p>${escape(api.info.description ?? '')} <a href="/api/v1/openapi.json">OpenAPI 3.1</a>.</p>${parts.join('\n')}<h2>Error codes</h2><table>${errors}</table></body></html>`;
}
