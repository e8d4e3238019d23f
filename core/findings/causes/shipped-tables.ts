import { causeModel } from './cause-model';
import type { CauseTables } from './cause-tables';
import tables from './tables/diagnosis-tables.json';

/** The tables that ship with the tool: usual practice, with our guesses of how strongly each thing speaks. */
export const SHIPPED_TABLES = tables as CauseTables;

export const SHIPPED_MODEL = causeModel(SHIPPED_TABLES);
