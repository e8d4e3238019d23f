import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from '@/db/database';
import { migrate } from '@/db/migrate';
import { deedLogIn } from '@/server/platform/deed-log';
import { erasedListIn } from '@/server/platform/erased-list';
import { folderMail } from '@/stand-ins/mail/folder-mail';
import { simulatedWeather } from '@/stand-ins/weather/simulated-weather';
import { startMariaDb } from '../ops/mariadb';

/** A database server of a benchmark's own, and what use cases need beside it. */
export async function benchServices(name: string, now: Date) {
  const folder = mkdtempSync(join(tmpdir(), `${name}-bench-`));
  const own = await startMariaDb(folder);
  const db = openDatabase(own.url, { silence: 0 });
  await migrate(db.sequelize);
  const services = {
    db,
    mail: folderMail(join(folder, 'mail')),
    weather: simulatedWeather,
    erased: erasedListIn(join(folder, 'erased.txt')),
    deeds: deedLogIn(join(folder, 'deeds')),
    publicUrl: 'http://127.0.0.1',
    now,
  };
  return { folder, own, db, services };
}
