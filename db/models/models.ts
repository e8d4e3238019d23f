import type { Sequelize } from 'sequelize';
import { clubTables } from './club-tables';
import { planTables } from './plan-tables';
import { woodTables } from './wood-tables';
import { teachTables } from './teach-tables';
import { benchTables, scoreTables } from './score-tables';
import { unionTables } from './union-tables';
import { aftercareTables } from './aftercare-tables';
import { placeTables } from './place-tables';
import { followUpTables } from './follow-up-tables';
import { causeTables } from './cause-tables';
import { defineIn } from './table';

/** All tables of the product. */
export function defineModels(sequelize: Sequelize) {
  const define = defineIn(sequelize);
  return {
    ...clubTables(define),
    ...planTables(define),
    ...woodTables(define),
    ...teachTables(define),
    ...scoreTables(define),
    ...benchTables(define),
    ...unionTables(define),
    ...aftercareTables(define),
    ...placeTables(define),
    ...followUpTables(define),
    ...causeTables(define),
  };
}

export type Models = ReturnType<typeof defineModels>;
