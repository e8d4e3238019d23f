import { createHash } from 'node:crypto';
import { QueryTypes, type Sequelize } from 'sequelize';

/*
 * How a chip's bud lies under its wrap is a question of its own now, and its usual answer is covered. Whatever was made, planned
 * or judged before followed the answer of that time: it is written down, so that no chip changes its care. Running it twice
 * changes nothing more.
 */

type Answers = Record<string, unknown>;

const asObject = (json: unknown): Answers =>
  typeof json === 'string' ? (JSON.parse(json) as Answers) : (json as Answers);

/** Answers about a chip with the cover it had: the one that was chosen, or the bud left out. */
function withCover(schools: Answers): Answers {
  const { 'bud-cover': before, ...others } = schools;
  return 'chip-cover' in schools ? schools : { ...others, 'chip-cover': before ?? 'out' };
}

export async function up(sequelize: Sequelize): Promise<void> {
  const read = (sql: string): Promise<{ id: string; json: unknown }[]> =>
    sequelize.query(sql, { type: QueryTypes.SELECT });
  const write = (sql: string, replacements: string[]): Promise<unknown> =>
    sequelize.query(sql, { replacements, type: QueryTypes.UPDATE });
  for (const { id, json } of await read(`SELECT id, schools AS json FROM unions WHERE method = 'chip'`))
    await write('UPDATE unions SET schools = ? WHERE id = ?', [JSON.stringify(withCover(asObject(json))), id]);
  for (const { id, json } of await read(`SELECT id, body AS json FROM rubrics WHERE method = 'chip'`)) {
    const body = asObject(json);
    const text = JSON.stringify({ ...body, schools: withCover((body.schools ?? {}) as Answers) });
    const hash = createHash('sha256').update(text).digest('hex');
    await write('UPDATE rubrics SET body = ?, content_hash = ? WHERE id = ?', [text, hash, id]);
  }
  const days = await read(`SELECT id, schools AS json FROM workshops WHERE method = 'chip' OR id IN
    (SELECT workshop_id FROM plan_parts WHERE part = 'methods' AND body LIKE '%"chip"%')`);
  for (const { id, json } of days) {
    const schools = asObject(json);
    if ('chip-cover' in schools) continue;
    // A T that is taught on the same day keeps its own answer.
    const cover = schools['bud-cover'] ?? 'out';
    await write('UPDATE workshops SET schools = ? WHERE id = ?', [
      JSON.stringify({ ...schools, 'chip-cover': cover }),
      id,
    ]);
  }
}
