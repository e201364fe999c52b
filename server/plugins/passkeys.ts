/**
 * Making and using passkeys (Web Authentication, by @simplewebauthn/server). A ceremony is begun here, is good once and for some minutes, and is
 * kept in memory: a restart between its halves costs one more try. The device has to make sure who holds it, by finger, face or its own PIN.
 */
import { randomUUID } from 'node:crypto';
import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from '@simplewebauthn/server';
import type { z } from 'zod';
import type { newPasskeyBody, signInByPasskeyBody } from '../../contract';
import { fault } from '../../core/errors';
import type { NewPasskey, StoredPasskey } from '../tables/passkeys';

const GOOD_FOR_MS = 5 * 60_000;
const MOST_CEREMONIES = 10_000;
/** As long as their columns. */
const LONGEST_BYTES = { credential_id: 1023, public_key: 2048 } as const;
const LONGEST_NAME = 253;

/** Where the server is reached: what a passkey is made for. */
export interface Place {
  readonly origin: string;
  readonly rpID: string;
}
/** @param address as http://localhost:8080. @throws passkey-refused where it is none */
export function placeOf(address: string): Place {
  if (!URL.canParse(address)) throw fault('passkey-refused');
  const { origin, hostname } = new URL(address);
  if (hostname.length > LONGEST_NAME) throw fault('passkey-refused');
  return { origin, rpID: hostname };
}

interface Ceremony {
  readonly challenge: string;
  /** who makes one; null where somebody signs in */
  readonly person: string | null;
  readonly until_ms: number;
}
interface Owner {
  readonly id: string;
  readonly handle: string;
  readonly name: string;
}
export type Made = z.output<typeof newPasskeyBody>['made'];
export type Used = z.output<typeof signInByPasskeyBody>['used'];
interface Begun {
  readonly ceremony: string;
  readonly options: Record<string, unknown>;
}

const bytesOf = (text: string) => Buffer.from(text, 'base64url');
/** What the package throws says what of the answer was wrong; whoever sent it is told one thing. */
async function orRefused<T>(verifying: Promise<T>): Promise<T> {
  try {
    return await verifying;
  } catch {
    throw fault('passkey-refused');
  }
}

export class Passkeys {
  private readonly ceremonies = new Map<string, Ceremony>();
  constructor(private readonly now: () => Date) {}

  private begin(person: string | null, options: { readonly challenge: string }): Begun {
    const ceremony = randomUUID();
    // the oldest goes first: a map keeps the order in which it was filled
    if (this.ceremonies.size >= MOST_CEREMONIES) this.ceremonies.delete(this.ceremonies.keys().next().value!);
    const until_ms = this.now().getTime() + GOOD_FOR_MS;
    this.ceremonies.set(ceremony, { challenge: options.challenge, person, until_ms });
    return { ceremony, options: { ...options } };
  }
  /** @throws passkey-refused for one that is not known, was used, is too old or was another's */
  private take(ceremony: string, person: string | null): string {
    const found = this.ceremonies.get(ceremony);
    this.ceremonies.delete(ceremony);
    if (!found || found.person !== person || found.until_ms < this.now().getTime()) throw fault('passkey-refused');
    return found.challenge;
  }

  async beginMaking(owner: Owner, there: readonly StoredPasskey[], { rpID }: Place): Promise<Begun> {
    const options = await generateRegistrationOptions({
      rpName: 'Idiom',
      rpID,
      userName: owner.handle,
      userDisplayName: owner.name,
      userID: new TextEncoder().encode(owner.id),
      timeout: GOOD_FOR_MS,
      excludeCredentials: there.map((p) => ({
        id: p.credential_id.toString('base64url'),
        transports: [...p.transports],
      })),
      authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    });
    return this.begin(owner.id, options);
  }
  /** @throws passkey-refused */
  async made(ceremony: string, person: string, made: Made, place: Place): Promise<Omit<NewPasskey, 'person' | 'name'>> {
    const verified = await orRefused(
      verifyRegistrationResponse({
        response: {
          id: made.id,
          rawId: made.id,
          type: 'public-key',
          clientExtensionResults: {},
          response: {
            clientDataJSON: made.client_data,
            attestationObject: made.attestation,
            transports: made.transports,
          },
        },
        expectedChallenge: this.take(ceremony, person),
        expectedOrigin: place.origin,
        expectedRPID: place.rpID,
        requireUserVerification: true,
      }),
    );
    if (!verified.verified) throw fault('passkey-refused');
    const { credential } = verified.registrationInfo;
    const credential_id = bytesOf(credential.id);
    const public_key = Buffer.from(credential.publicKey);
    // what its own bytes say of it is as long as whoever made them likes
    if (credential_id.length > LONGEST_BYTES.credential_id || public_key.length > LONGEST_BYTES.public_key)
      throw fault('passkey-refused');
    return {
      rp_id: place.rpID,
      credential_id,
      public_key,
      transports: made.transports,
      counter: credential.counter,
    };
  }

  async beginSignIn({ rpID }: Place): Promise<Begun> {
    return this.begin(
      null,
      await generateAuthenticationOptions({ rpID, userVerification: 'required', timeout: GOOD_FOR_MS }),
    );
  }
  /** @returns how often the device says that it used it. @throws passkey-refused */
  async used(ceremony: string, used: Used, stored: StoredPasskey | null, place: Place): Promise<number> {
    const expectedChallenge = this.take(ceremony, null);
    if (!stored || stored.rp_id !== place.rpID) throw fault('passkey-refused');
    const verified = await orRefused(
      verifyAuthenticationResponse({
        response: {
          id: used.id,
          rawId: used.id,
          type: 'public-key',
          clientExtensionResults: {},
          response: {
            clientDataJSON: used.client_data,
            authenticatorData: used.authenticator_data,
            signature: used.signature,
            ...(used.user_handle !== undefined && { userHandle: used.user_handle }),
          },
        },
        expectedChallenge,
        expectedOrigin: place.origin,
        expectedRPID: stored.rp_id,
        credential: {
          id: stored.credential_id.toString('base64url'),
          publicKey: new Uint8Array(stored.public_key),
          counter: stored.counter,
        },
        requireUserVerification: true,
      }),
    );
    if (!verified.verified) throw fault('passkey-refused');
    return verified.authenticationInfo.newCounter;
  }
}
