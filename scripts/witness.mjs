/** npm run witness: a simulated witness. POST adds lines to a file, GET gives them; nothing is changed or taken away. WITNESS_FILE, WITNESS_PORT. */
import { appendFileSync, existsSync, mkdirSync, readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { dirname, resolve } from 'node:path';

const file = resolve(process.env.WITNESS_FILE ?? 'witness/heads.jsonl');
const MOST_BYTES = 1024 * 1024;
mkdirSync(dirname(file), { recursive: true });
const server = createServer((request, response) => {
  if (request.method === 'GET') {
    response.writeHead(200, { 'content-type': 'application/jsonl' });
    return response.end(existsSync(file) ? readFileSync(file) : '');
  }
  if (request.method !== 'POST') return response.writeHead(405).end();
  let body = '';
  request.on('data', (t) => {
    body += t;
    if (body.length > MOST_BYTES) request.destroy();
  });
  request.on('end', () => {
    try {
      for (const line of body.split('\n').filter(Boolean)) JSON.parse(line);
    } catch {
      return response.writeHead(400).end();
    }
    appendFileSync(file, body);
    response.writeHead(204).end();
  });
});
server.listen(Number(process.env.WITNESS_PORT ?? 8099), '127.0.0.1', () =>
  console.log(`witness at http://127.0.0.1:${server.address().port}/, keeping ${file}`),
);
