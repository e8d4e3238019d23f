import type { DemoPage } from './demo-pages';
import { processCpu } from './process-cpu';
import { get } from './signed-in';

/** What a warm page costs. */
export interface PageCost {
  name: string;
  /** Processor time of the server, ms, as on a machine where the yardstick takes {@link YARDSTICK}: the least of some looks. */
  cpu: number;
  statements: number;
  /** Bytes of the page, uncompressed. */
  html: number;
  /** Bytes of the scripts a browser of today loads with it, compressed by gzip. */
  script: number;
}

export interface Measured {
  address: string;
  cookie: string;
  /** Of the server. */
  pid: number;
  /** Statements the database was sent so far, those that ask for it among them. */
  statements: () => number;
}

/** What the yardstick takes on the machine that all processor times are told for, ms. */
const YARDSTICK = 22;
/** The first looks read what has changed and warm what is compiled. */
const WARMING = 4;

/**
 * Costs of pages as they are when nothing has changed since the last look.
 *
 * @param looks how often each is looked at; the cheapest look counts, since whatever else runs only adds to it
 * @throws Error for a page that does not answer 200
 */
export async function pageCosts(pages: readonly DemoPage[], measured: Measured, looks: number): Promise<PageCost[]> {
  const { address, cookie, pid, statements } = measured;
  const look = async (path: string): Promise<string> => {
    const { status, text } = await get(address, path, cookie);
    if (status !== 200) throw new Error(`${path} answers ${status}.`);
    return text;
  };
  for (let i = 0; i < WARMING; i++) for (const { path } of pages) await look(path);
  await untilIdle(pid);
  const scripts = new Map<string, number>();
  const costs: PageCost[] = [];
  for (const { name, path } of pages) {
    const asked = statements();
    const html = await look(path);
    const sent = statements() - asked - 1;
    let cpu = Infinity;
    let yardstick = Infinity;
    for (let i = 0; i < looks; i++) {
      const before = processCpu(pid);
      await look(path);
      const spent = processCpu(pid) - before;
      // A process of the server that ended meanwhile took its time with it: that look tells nothing.
      if (spent >= 0) cpu = Math.min(cpu, spent);
      yardstick = Math.min(yardstick, yardstickCpu());
    }
    let script = 0;
    for (const source of scriptsOf(html)) {
      if (!scripts.has(source)) scripts.set(source, (await get(address, source, cookie, true)).bytes);
      script += scripts.get(source)!;
    }
    costs.push({ name, cpu: (cpu * YARDSTICK) / yardstick, statements: sent, html: Buffer.byteLength(html), script });
  }
  return costs;
}

/** Waits until the server does nothing more, such as fitting a model, for half a minute at most. */
async function untilIdle(pid: number): Promise<void> {
  for (let i = 0; i < 60; i++) {
    const before = processCpu(pid);
    await new Promise((resolve) => setTimeout(resolve, 500));
    if (processCpu(pid) - before < 10) return;
  }
}

/** Processor time of a fixed piece of work like a page's, ms: a busy or slow machine takes longer for both. */
function yardstickCpu(): number {
  const before = process.cpuUsage();
  const rows = Array.from({ length: 6000 }, (_, i) => ({ id: String(i), value: Math.sqrt(i), words: `row ${i}` }));
  for (let i = 0; i < 3; i++) JSON.parse(JSON.stringify(rows));
  const { user, system } = process.cpuUsage(before);
  return (user + system) / 1000;
}

/** Scripts a page names that a browser of today loads. */
function scriptsOf(html: string): string[] {
  const tags = [...html.matchAll(/<script\b[^>]*\bsrc="([^"]+)"[^>]*>/g)].filter(([tag]) => !/nomodule/i.test(tag));
  return [...new Set(tags.map(([, source]) => source!.replaceAll('&amp;', '&')))];
}
