import { bestContact } from '@/core/contact/best-contact';
import { whipContact, type WhipUnion } from '@/core/contact/whip-contact';

/* node --import tsx bench/contact.ts: the mean time of one contact, which must stay under 0.15 ms, and of the best reach. */

const union: WhipUnion = { stock: { diameter: 10, bark: 1, length: 35, hollow: 0.3 }, scion: { diameter: 8, bark: 0.8, length: 33, hollow: 0.1 }, e: 0, z: 0.5, phi: 1 };

function mean(count: number, work: (i: number) => unknown): number {
  for (let i = 0; i < count / 4; i++) work(i);
  const from = performance.now();
  for (let i = 0; i < count; i++) work(i);
  return (performance.now() - from) / count;
}

console.log(`contact of one union: ${mean(10_000, (i) => whipContact({ ...union, e: (i % 100) / 50 - 1 })).toFixed(4)} ms`);
console.log(`best reach of one pair: ${mean(200, (i) => bestContact({ ...union, e: (i % 100) / 50 - 1 })).toFixed(3)} ms`);
