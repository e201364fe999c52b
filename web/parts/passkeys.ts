/** What the browser does with passkeys, and what may be said where it does not. */
import { startAuthentication, startRegistration, WebAuthnError } from '@simplewebauthn/browser';
import type { z } from 'zod';
import type { newPasskeyBody, signInByPasskeyBody } from '../../contract';

type Options = Readonly<Record<string, unknown>>;

/** Why no passkey can be made or used here; null where one can. */
export function noPasskeysBecause(): string | null {
  if (!('PublicKeyCredential' in window))
    return 'This browser knows no passkeys, or the address is neither https nor localhost.';
  // a passkey is made for a name
  const { hostname, port, protocol } = window.location;
  if (!/^[\d.]+$|^\[/.test(hostname)) return null;
  const here = /^127\.|^\[::1\]$/.test(hostname);
  return `Passkeys are made for a name: this address is a number. Open ${here ? `${protocol}//localhost${port && `:${port}`}/` : 'Idiom by its name'}.`;
}

export async function makePasskey(options: Options): Promise<z.input<typeof newPasskeyBody>['made']> {
  const { id, response } = await startRegistration({ optionsJSON: options as never });
  return {
    id,
    client_data: response.clientDataJSON,
    attestation: response.attestationObject,
    transports: response.transports ?? [],
  };
}

export async function readPasskey(options: Options): Promise<z.input<typeof signInByPasskeyBody>['used']> {
  const { id, response } = await startAuthentication({ optionsJSON: options as never });
  return {
    id,
    client_data: response.clientDataJSON,
    authenticator_data: response.authenticatorData,
    signature: response.signature,
    ...(response.userHandle !== undefined && { user_handle: response.userHandle }),
  };
}

/** What the device said, in words of ours. */
export function deviceText(error: unknown): string {
  if (error instanceof WebAuthnError && error.code === 'ERROR_AUTHENTICATOR_PREVIOUSLY_REGISTERED')
    return 'This device has a passkey for you already.';
  if (error instanceof Error && (error.name === 'NotAllowedError' || error.name === 'AbortError'))
    return 'The device gave none: it was called off, took too long, or has none for this address.';
  return 'The device could not do it. Nothing was changed.';
}
