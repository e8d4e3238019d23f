import { QueryTypes, type Sequelize } from 'sequelize';

const WORD = 'CHARACTER SET ascii COLLATE ascii_bin';

/** Whether the letter that confirms a wish not to be written to waits or has gone; empty where there was no such wish. */
export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(
    `ALTER TABLE mail_replies ADD COLUMN IF NOT EXISTS confirmation VARCHAR(10) ${WORD} NOT NULL DEFAULT ''`,
    { type: QueryTypes.RAW },
  );
}
