/** Requests a second of the checks list against a bare route that makes the same two queries on the same database. */
import autocannon from 'autocannon';
import Fastify from 'fastify';
import { openPool, poolOptions } from '../server/database';
import { statusQuery } from '../server/tables/entries';
import { SESSION_QUERY } from '../server/tables/sessions';
import { tokenHash } from '../server/plugins/session';
import { signedIn } from './measure';

const url = process.env['IDIOM_TEST_URL']!;
const { cookie, organisation } = await signedIn(url);

const db = openPool(poolOptions(process.env['IDIOM_TEST_DATABASE']!));
const bare = Fastify({ logger: false });
bare.get('/bare', async (request) => {
  const token = /=(\w+)/.exec(request.headers.cookie ?? '')![1]!;
  await db.query(SESSION_QUERY, [tokenHash(token), new Date()]);
  const { sql, values } = statusQuery(organisation.id, {}, 51);
  const [rows] = await db.query(sql, values);
  return { items: rows, next: null };
});
const bareUrl = await bare.listen({ port: 0, host: '127.0.0.1' });

const shoot = (target: string) => autocannon({ url: target, connections: 8, duration: 5, headers: { cookie } });
await shoot(`${bareUrl}/bare`);
await shoot(`${url}/api/v1/checks`);
const rounds = [];
for (let i = 0; i < 3; i++) {
  const a = await shoot(`${bareUrl}/bare`);
  const b = await shoot(`${url}/api/v1/checks`);
  rounds.push(b.requests.average / a.requests.average);
  console.log(
    `bare ${a.requests.average.toFixed(0)}/s   list ${b.requests.average.toFixed(0)}/s   ratio ${rounds.at(-1)!.toFixed(2)}   list p97.5 ${b.latency.p97_5} ms   not 2xx ${b.non2xx}`,
  );
}
console.log(`ratio, middle of three: ${rounds.sort((a, b) => a - b)[1]!.toFixed(2)}`);
await bare.close();
await db.end();
