import { QueryTypes, type Sequelize } from 'sequelize';

const WORD = 'CHARACTER SET ascii COLLATE ascii_bin';
const ID = `CHAR(36) ${WORD}`;

/** What learners asked at a step of a day. Who asked is not kept. */
const QUESTIONS = `CREATE TABLE IF NOT EXISTS learner_questions (
  id ${ID} PRIMARY KEY, club_id ${ID} NOT NULL, workshop_id ${ID} NOT NULL, method VARCHAR(40) ${WORD} NOT NULL,
  step VARCHAR(40) ${WORD} NOT NULL, kind VARCHAR(20) ${WORD} NOT NULL, asked_at DATETIME(3) NOT NULL,
  KEY learner_questions_asked (club_id, method, step, kind), FOREIGN KEY (workshop_id) REFERENCES workshops (id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`;

export async function up(sequelize: Sequelize): Promise<void> {
  await sequelize.query(QUESTIONS, { type: QueryTypes.RAW });
}
