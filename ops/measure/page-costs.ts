import type { DemoPage } from './demo-pages';
import { processCpu } from './process-cpu';
import { get } from './signed-in';

/** What a warm page costs. */
export interface PageCost {
  name: string;
  /** Processor time of the server, ms: the least of several looks. */
  cpu: number;
  statements: number;
  /** Bytes of the page, uncompressed. */
  html: number;
  /** Bytes of the scripts a browser of today loads with it, compressed. */
  script: number;
}

interface Measured {
  address: string;
  cookie: string;
  /** Of the server. */
  pid: number;
  /** Statements the database was sent so far. */
  statements: () => number | Promise<number>;
}

/** The first looks read what has changed and warm what is compiled. */
const WARMING = 3;
const LOOKS = 6;

/**
 * Costs of pages as they are when nothing has changed since the last look.
 *
 * @throws Error for a page that does not answer 200.
 */
export async function pageCosts(
  pages: readonly DemoPage[],
  { address, cookie, pid, statements }: Measured,
): Promise<PageCost[]> {
  const scripts = new Map<string, number>();
  const costs: PageCost[] = [];
  for (const { name, path } of pages) {
    const look = async (): Promise<string> => {
      const { status, text } = await get(address, path, cookie);
      if (status !== 200) throw new Error(`${path} answers ${status}.`);
      return text;
    };
    let html = '';
    for (let i = 0; i < WARMING; i++) html = await look();
    const asked = await statements();
    html = await look();
    const sent = (await statements()) - asked;
    let cpu = Infinity;
    for (let i = 0; i < LOOKS; i++) {
      const before = processCpu(pid);
      await look();
      cpu = Math.min(cpu, processCpu(pid) - before);
    }
    let script = 0;
    for (const source of scriptsOf(html)) {
      if (!scripts.has(source)) scripts.set(source, (await get(address, source, cookie, true)).bytes);
      script += scripts.get(source)!;
    }
    costs.push({ name, cpu, statements: sent, html: Buffer.byteLength(html), script });
  }
  return costs;
}

/** Scripts a page names that a browser of today loads. */
function scriptsOf(html: string): string[] {
  const tags = [...html.matchAll(/<script\b[^>]*\bsrc="([^"]+)"[^>]*>/g)].filter(([tag]) => !/nomodule/i.test(tag));
  return [...new Set(tags.map(([, source]) => source!.replaceAll('&amp;', '&')))];
}
