import { hash, verify } from '@node-rs/argon2';
import { dictionary } from '@zxcvbn-ts/language-common';

/** argon2id with the package's defaults (19 MiB, 2 passes: OWASP's least). */
export function hashPassword(password: string): Promise<string> {
  return hash(password);
}

let decoy: Promise<string> | undefined;

/** Whether a password fits. Without a hash (no such user) it takes as long and says no. */
export async function passwordFits(passwordHash: string | undefined, password: string): Promise<boolean> {
  decoy ??= hashPassword('no one has this password');
  const fits = await verify(passwordHash ?? (await decoy), password);
  return passwordHash !== undefined && fits;
}

let common: ReadonlySet<string> | undefined;

/** Whether a password is one that many people have: those are tried first. The list is that of the package (49,233 words). */
export function isCommonPassword(password: string): boolean {
  common ??= new Set(dictionary['passwords-common']);
  return common.has(password.toLowerCase());
}
