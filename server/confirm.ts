/**
 * npm run confirm -- NAME: says at the machine itself that a person is who they sign in as. For an organisation in which one instructor made
 * everybody: there is nobody else who could say it. An entry of the record, by the program.
 */
import { openPool, poolOptions, type Database } from './database';
import { PROGRAM } from './record/covered';
import { keeping } from './record/keeping';
import { noteCredential } from './tables/credentials';
import { personByHandle } from './tables/people';

/** @param handle the name to sign in with @returns what was done, in words @throws where nobody has that name */
export async function confirmAtTheMachine(db: Database, handle: string, now: Date): Promise<string> {
  const person = await personByHandle(db, handle);
  if (!person) throw new Error(`nobody signs in as "${handle}"`);
  await keeping(db, { organisation: person.organisation, by: PROGRAM, now }, (k) =>
    noteCredential(k, person.id, 'confirmed', PROGRAM),
  );
  return `${person.name} (${handle}) is confirmed: it stands in the record as said at the machine itself.`;
}

if (process.env['IDIOM_RUN_CONFIRM'] === '1') {
  const db = openPool(poolOptions(process.env['IDIOM_DATABASE_URL']!));
  const handle = process.argv[2];
  (handle === undefined
    ? Promise.reject(new Error('whom? npm run confirm -- NAME'))
    : confirmAtTheMachine(db, handle, new Date())
  )
    .then(console.log, (error: unknown) => {
      console.error((error as Error).message);
      process.exitCode = 2;
    })
    .finally(() => void db.end());
}
