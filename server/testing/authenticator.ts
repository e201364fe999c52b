/** A device that makes and uses passkeys, of software: ES256, no attestation. It says what it is told to say, so that it can also lie. */
import { createHash, generateKeyPairSync, randomBytes, sign, type KeyObject } from 'node:crypto';
import { isoCBOR } from '@simplewebauthn/server/helpers';
import type { Made, Used } from '../plugins/passkeys';

const hashOf = (data: Buffer | string) => createHash('sha256').update(data).digest();
const PRESENT = 0x01;
const VERIFIED = 0x04;
const HAS_KEY = 0x40;

interface Asked {
  readonly challenge?: unknown;
  readonly rp?: unknown;
  readonly rpId?: unknown;
}
export interface Says {
  readonly origin?: string;
  readonly rpId?: string;
  /** whether it made sure who holds it */
  readonly verified?: boolean;
}

export class Authenticator {
  readonly id: Buffer;
  private readonly key: KeyObject;
  private readonly x: Buffer;
  private readonly y: Buffer;
  counter = 0;
  /** @param counts some devices do not, and always say 0. @param idBytes how long its own name of the passkey is */
  constructor(
    private readonly origin: string,
    private readonly counts = true,
    idBytes = 16,
  ) {
    this.id = randomBytes(idBytes);
    const { privateKey, publicKey } = generateKeyPairSync('ec', { namedCurve: 'P-256' });
    this.key = privateKey;
    const { x, y } = publicKey.export({ format: 'jwk' });
    this.x = Buffer.from(x!, 'base64url');
    this.y = Buffer.from(y!, 'base64url');
  }
  private clientData(type: string, asked: Asked, says: Says): Buffer {
    const origin = says.origin ?? this.origin;
    return Buffer.from(JSON.stringify({ type, challenge: asked.challenge, origin, crossOrigin: false }));
  }
  private data(rpId: string, says: Says, more: Buffer = Buffer.alloc(0)): Buffer {
    const flags = PRESENT | (says.verified === false ? 0 : VERIFIED) | (more.length > 0 ? HAS_KEY : 0);
    const counted = Buffer.alloc(4);
    counted.writeUInt32BE(this.counter);
    return Buffer.concat([hashOf(says.rpId ?? rpId), Buffer.from([flags]), counted, more]);
  }
  make(asked: Asked, says: Says = {}): Made {
    const cose = isoCBOR.encode(
      new Map<number, number | Uint8Array>([
        [1, 2],
        [3, -7],
        [-1, 1],
        [-2, new Uint8Array(this.x)],
        [-3, new Uint8Array(this.y)],
      ]),
    );
    const length = Buffer.from([this.id.length >> 8, this.id.length & 255]);
    const made = Buffer.concat([Buffer.alloc(16), length, this.id, cose]);
    const authData = new Uint8Array(this.data((asked.rp as { id: string }).id, says, made));
    const attestation = isoCBOR.encode(
      new Map<string, unknown>([
        ['fmt', 'none'],
        ['attStmt', new Map()],
        ['authData', authData],
      ]) as never,
    );
    return {
      id: this.id.toString('base64url'),
      client_data: this.clientData('webauthn.create', asked, says).toString('base64url'),
      attestation: Buffer.from(attestation).toString('base64url'),
      transports: ['internal'],
    };
  }
  use(asked: Asked, says: Says = {}): Used {
    if (this.counts) this.counter += 1;
    const client = this.clientData('webauthn.get', asked, says);
    const data = this.data(asked.rpId as string, says);
    return {
      id: this.id.toString('base64url'),
      client_data: client.toString('base64url'),
      authenticator_data: data.toString('base64url'),
      signature: sign('sha256', Buffer.concat([data, hashOf(client)]), this.key).toString('base64url'),
    };
  }
}
