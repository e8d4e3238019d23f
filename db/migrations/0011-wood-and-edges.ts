import { QueryTypes, type Sequelize } from 'sequelize';

/** The way of wood that comes by post: ordered, sent, arrived, and how it arrived. Lots from before did not say. */
const COLUMNS = `ALTER TABLE wood_lots
  ADD COLUMN IF NOT EXISTS ordered_on DATE NULL DEFAULT NULL,
  ADD COLUMN IF NOT EXISTS sent_on DATE NULL DEFAULT NULL,
  ADD COLUMN IF NOT EXISTS arrived_on DATE NULL DEFAULT NULL,
  ADD COLUMN IF NOT EXISTS arrival VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL DEFAULT ''`;

/** What a day grafts on what, as it was said when the day was planned; days from before go by their wood. */
const SPECIES = `ALTER TABLE workshops
  ADD COLUMN IF NOT EXISTS scion_species VARCHAR(60) NOT NULL DEFAULT '',
  ADD COLUMN IF NOT EXISTS stock_species VARCHAR(60) NOT NULL DEFAULT ''`;

/** Test cuts of the knives are a part of a plan of their own. */
const EDGES = `ALTER TABLE plan_parts
  MODIFY part ENUM('methods','kit','day','room','pairs','scoring','edges') NOT NULL`;

/** Things of the kit that are called otherwise: knives by their kind, tools by an id and no longer by their words. */
const RENAMED: readonly [from: string, to: string][] = [
  ['knives', 'grafting-knife'],
  ['knives-left', 'grafting-knife-left'],
  ['tool-splitting blade and mallet', 'tool-splitter'],
  ['tool-driver to hold the split', 'tool-driver'],
  ['tool-clip or a second pair of hands', 'tool-clip'],
  ['tool-small hammer', 'tool-hammer'],
];

export async function up(sequelize: Sequelize): Promise<void> {
  for (const statement of [COLUMNS, SPECIES, EDGES]) await sequelize.query(statement, { type: QueryTypes.RAW });
  for (const [from, to] of RENAMED) {
    await sequelize.query('UPDATE IGNORE store_items SET item = :to WHERE item = :from', {
      type: QueryTypes.RAW,
      replacements: { from, to },
    });
    await sequelize.query("UPDATE plan_parts SET body = REPLACE(body, :from, :to) WHERE part = 'kit'", {
      type: QueryTypes.RAW,
      replacements: { from: `"${from}":`, to: `"${to}":` },
    });
  }
}
