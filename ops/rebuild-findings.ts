import { openDatabase } from '@/db/database';
import { rebuildUnionFacts } from '@/server/platform/union-facts';

/*
 * DATABASE_URL=mariadb://... node --import tsx ops/rebuild-findings.ts
 * Makes the findings' table anew from judgements, plants and reports, club by club.
 */

if (!process.env.DATABASE_URL) {
  console.error('Set DATABASE_URL to the database whose findings are to be rebuilt.');
  process.exit(2);
}
const db = openDatabase(process.env.DATABASE_URL, { silence: 0 });
for (const { id, name } of await db.clubs.findAll({ raw: true }))
  console.log(`${name}: ${await rebuildUnionFacts(db, id)} unions`);
await db.sequelize.close();
