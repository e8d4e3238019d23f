import { type ChildProcess, execFileSync, spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, rmSync, statfsSync, writeFileSync, openSync, writeSync, closeSync } from 'node:fs';
import { join } from 'node:path';
import { runSql } from '@/e2e/setup/run-sql';
import { freePort, isAlive } from '@/ops/mariadb';

/** A start of the whole application on a folder of its own, which may be killed and started again at the same address. */
export interface ChaosServer {
  address: string;
  data: string;
  /** Seconds that each start after a kill took until it answered. */
  recoveries: number[];
  /** Kills the application and nothing else, and starts it again. */
  killApplication(): Promise<void>;
  /** Kills the database under the application. */
  killDatabase(): Promise<void>;
  /** Stops a process for a while, as a disk that hangs or a machine that sleeps does. */
  freeze(which: 'application' | 'database', ms: number): Promise<void>;
  /** Fills the disk to the last block for a while. */
  fillDisk(ms: number): Promise<void>;
  /** Ends the application and starts it with its clock moved, ms. */
  moveClock(by: number): Promise<void>;
  sql(statements: string): string;
  stop(): Promise<void>;
}

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

export async function startChaosServer(data: string, onDisk: boolean): Promise<ChaosServer> {
  const port = await freePort();
  const address = `http://127.0.0.1:${port}`;
  const recoveries: number[] = [];
  let child: ChildProcess;
  const log = join(data, 'chaos.log');
  const launch = async (): Promise<void> => {
    const out = openSync(log, 'a');
    child = spawn('./start', ['--port', String(port)], {
      env: { ...process.env, NODE_ENV: 'production', PEAR_BENCH_DATA: data },
      stdio: ['ignore', out, out],
    });
    closeSync(out);
    for (const began = Date.now(); ; await pause(200)) {
      const answer = await fetch(`${address}/api/health`, { signal: AbortSignal.timeout(2000) }).catch(() => null);
      if (answer?.ok) return;
      if (child.exitCode !== null) throw new Error(`The start ended with ${child.exitCode}; see ${log}.`);
      if (Date.now() - began > 300_000) throw new Error(`The start did not answer within five minutes; see ${log}.`);
    }
  };
  const again = async (): Promise<void> => {
    const began = Date.now();
    await launch();
    recoveries.push((Date.now() - began) / 1000);
  };
  const end = (signal: NodeJS.Signals): Promise<void> =>
    new Promise((resolve) => {
      if (child.exitCode !== null || child.signalCode !== null) return resolve();
      child.once('exit', () => resolve());
      child.kill(signal);
    });
  const databasePid = (): number => Number(readFileSync(join(data, 'mariadb.pid'), 'utf8'));
  await launch();
  return {
    address,
    data,
    recoveries,
    async killApplication() {
      await end('SIGKILL');
      await again();
    },
    async killDatabase() {
      const pid = databasePid();
      process.kill(pid, 'SIGKILL');
      const began = Date.now();
      // It is started again by the application itself.
      while (!(await fetch(`${address}/api/health`).catch(() => null))?.ok || databasePid() === pid) {
        if (Date.now() - began > 120_000) throw new Error('The database was not started again within two minutes.');
        await pause(200);
      }
      recoveries.push((Date.now() - began) / 1000);
    },
    async freeze(which, ms) {
      const pid = which === 'application' ? child.pid! : databasePid();
      if (!isAlive(pid)) return;
      process.kill(pid, 'SIGSTOP');
      await pause(ms);
      process.kill(pid, 'SIGCONT');
    },
    async fillDisk(ms) {
      if (!onDisk) return;
      const ballast = join(data, 'ballast');
      const file = openSync(ballast, 'w');
      try {
        for (let block = 1 << 20; block >= 4096; block >>= 1)
          for (;;)
            try {
              if (statfsSync(data).bavail === 0) break;
              writeSync(file, Buffer.alloc(block));
            } catch {
              break;
            }
      } finally {
        closeSync(file);
      }
      await pause(ms);
      rmSync(ballast);
    },
    async moveClock(by) {
      await end('SIGTERM');
      const file = join(data, 'demo-clock');
      const moved = existsSync(file) ? Number(readFileSync(file, 'utf8')) : 0;
      writeFileSync(file, String(moved + by));
      await launch();
    },
    sql: (statements) => runSql(data, statements),
    async stop() {
      await end('SIGTERM');
    },
  };
}

/** A disk of a few hundred megabytes that can be filled; false where this user may mount none. */
export function mountSmallDisk(folder: string, megabytes: number): boolean {
  return spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m`, 'chaos', folder]).status === 0;
}

export function unmountSmallDisk(folder: string): void {
  execFileSync('umount', ['-l', folder]);
}
