import { join } from 'node:path';
import { openDatabase, type Database } from '@/db/database';
import { processWide } from '@/db/process-wide';
import { clockNow } from '@/server/platform/clock';
import type { Services } from '@/server/platform/context';
import { deedLogIn } from '@/server/platform/deed-log';
import { erasedListIn } from '@/server/platform/erased-list';
import { folderMail } from '@/stand-ins/mail/folder-mail';
import { simulatedWeather } from '@/stand-ins/weather/simulated-weather';

/** One pool a process. */
export function database(): Database {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error('DATABASE_URL is not set. Start the application with ./start.');
  return processWide('database', () => openDatabase(url));
}

/** What use cases are given for the request at hand. */
export function services(): Services {
  return {
    db: database(),
    mail: folderMail(process.env.PEAR_BENCH_MAIL ?? join(process.cwd(), '.data', 'outbox')),
    weather: simulatedWeather,
    erased: erasedListIn(process.env.PEAR_BENCH_ERASED ?? join(process.cwd(), '.data', 'erased.txt')),
    deeds: deedLogIn(process.env.PEAR_BENCH_DEEDS ?? join(process.cwd(), '.data', 'deeds')),
    publicUrl: publicUrl(),
    now: clockNow(),
  };
}

/** Where backups lie. */
export function backupFolder(): string {
  return process.env.PEAR_BENCH_BACKUPS ?? join(process.cwd(), '.data', 'backups');
}

export function publicUrl(): string {
  return process.env.PEAR_BENCH_PUBLIC_URL ?? 'http://127.0.0.1:3000';
}

/** True when links and QR codes lead to this machine only, so that no phone can open them. */
export function onlyThisMachine(): boolean {
  return ['127.0.0.1', 'localhost', '[::1]'].includes(new URL(publicUrl()).hostname);
}
