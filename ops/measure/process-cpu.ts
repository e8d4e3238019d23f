import { readdirSync, readFileSync } from 'node:fs';

/** Processor time that all threads of a process have used so far, ms; those that ended are not counted. Linux only. */
export function processCpu(pid: number): number {
  let ns = 0;
  for (const thread of readdirSync(`/proc/${pid}/task`)) {
    try {
      ns += Number(readFileSync(`/proc/${pid}/task/${thread}/schedstat`, 'utf8').split(' ')[0]);
    } catch {
      // It ended between the two reads.
    }
  }
  return ns / 1e6;
}

/** Memory of a process that is in use now, bytes: private pages, and its share of those that others use too. */
export function processMemory(pid: number): number {
  const [, kb] = /^Pss:\s+(\d+) kB/m.exec(readFileSync(`/proc/${pid}/smaps_rollup`, 'utf8')) ?? [];
  return Number(kb) * 1024;
}
