import { request } from 'node:http';

export interface Answer {
  status: number;
  text: string;
  /** Bytes as they came over the wire. */
  bytes: number;
}

/** Signs in and gives the session's cookie. */
export async function signIn(address: string, email: string, password: string): Promise<string> {
  const answer = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ email, password }),
  });
  if (!answer.ok) throw new Error(`${email} cannot sign in: ${answer.status} ${await answer.text()}`);
  return answer.headers.get('set-cookie')!.split(';')[0]!;
}

/** One GET, uncompressed unless `compressed`; then `text` stays empty. */
export function get(address: string, path: string, cookie: string, compressed = false): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const asked = request(new URL(path, address), {
      headers: { cookie, ...(compressed ? { 'accept-encoding': 'gzip' } : {}) },
    });
    asked.once('response', (response) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.once('error', reject);
      response.once('end', () => {
        const body = Buffer.concat(parts);
        resolve({ status: response.statusCode!, text: compressed ? '' : body.toString(), bytes: body.length });
      });
    });
    asked.once('error', reject);
    asked.end();
  });
}
