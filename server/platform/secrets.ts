import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';

/** 256 random bits, fit for a cookie or a link. */
export function makeToken(): string {
  return randomBytes(32).toString('base64url');
}

/** What is kept of a token: whoever reads the database cannot use it. */
export function hashToken(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

// argon2id (the library's default algorithm) with 19 MiB, two passes and one lane: OWASP's minimum.
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export function hashPassword(password: string): Promise<string> {
  return hash(password, COST);
}

let decoy: Promise<string> | undefined;

/** Checks a password; with no hash to check it does the same work, so that time tells nobody which addresses exist. */
export async function passwordFits(passwordHash: string | null, password: string): Promise<boolean> {
  decoy ??= hashPassword(makeToken());
  const fits = await verify(passwordHash ?? (await decoy), password);
  return passwordHash !== null && fits;
}
