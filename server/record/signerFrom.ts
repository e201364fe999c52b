import type { Settings } from '../context';
import type { Database } from '../database';
import { noteKey, Signer, signingKey } from './signing';
import { witnessAt } from './witness';

/** Who signs, by the settings; none where no key is given. The public half of the key is noted in the record. @throws where the key is none */
export async function signerFrom(
  { signingKeyFile, witness }: Settings,
  db: Database,
  now: () => Date,
  complain: (why: string) => void = (why) => console.error(`The witness was not told: ${why}`),
): Promise<Signer | null> {
  if (!signingKeyFile) return null;
  const key = signingKey(signingKeyFile);
  await noteKey(db, key, now());
  return new Signer(db, key, now, witness ? witnessAt(witness, complain) : null);
}
