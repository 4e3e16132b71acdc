import { createCipheriv, createDecipheriv, randomBytes } from 'node:crypto';
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { Complaint } from '@even-page/core/complaint';
import { environment } from './environment.ts';

// AES-256 in Galois/Counter Mode (NIST SP 800-38D): a nonce of 12 bytes and a tag of 16, new for every secret.
const SEALED = 'sealed:1:';
const [NONCE, TAG] = [12, 16];

/** Whether a text is a secret as it is kept, not as it is used. */
export const isSealed = (text: string): boolean => text.startsWith(SEALED);

/** A secret as it is kept: in the database, in the journal and in backups nobody can read it without the key. */
export function seal(secret: string): string {
  const nonce = randomBytes(NONCE);
  const cipher = createCipheriv('aes-256-gcm', theKey(), nonce);
  const sealed = Buffer.concat([cipher.update(secret, 'utf8'), cipher.final()]);
  return SEALED + Buffer.concat([nonce, cipher.getAuthTag(), sealed]).toString('base64');
}

/** A secret as it is used. Throws a Complaint when it was sealed with another key. */
export function unseal(kept: string): string {
  const bytes = Buffer.from(kept.slice(SEALED.length), 'base64');
  try {
    const decipher = createDecipheriv('aes-256-gcm', theKey(), bytes.subarray(0, NONCE));
    decipher.setAuthTag(bytes.subarray(NONCE, NONCE + TAG));
    return Buffer.concat([decipher.update(bytes.subarray(NONCE + TAG)), decipher.final()]).toString('utf8');
  } catch (cause) {
    throw new Complaint(
      'The access token kept here cannot be read with the key of this server: put the right key file back, or set the token anew.',
      { cause },
    );
  }
}

/** Where the key lies: beside the data folder, so that a copy of that folder tells no secret. */
export const keyFile = (): string => `${resolve(environment.EVEN_PAGE_DATA)}.key`;

let key: Buffer | null = null;

function theKey(): Buffer {
  return (key ??= Buffer.from(environment.EVEN_PAGE_KEY ?? keyInFile(keyFile()), 'base64'));
}

function keyInFile(path: string): string {
  if (!existsSync(path)) {
    mkdirSync(dirname(path), { recursive: true });
    try {
      writeFileSync(path, `${randomBytes(32).toString('base64')}\n`, { mode: 0o600, flag: 'wx', flush: true });
    } catch (cause) {
      // Another server was quicker: its key holds.
      if ((cause as NodeJS.ErrnoException).code !== 'EEXIST') throw cause;
    }
  }
  chmodSync(path, 0o600);
  const text = readFileSync(path, 'utf8').trim();
  if (Buffer.from(text, 'base64').length !== 32)
    throw new Complaint(`The key file ${path} is damaged: put it back from a copy. Without it no access token can be read.`);
  return text;
}
