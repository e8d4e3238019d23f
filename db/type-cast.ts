import type { TypeCastFunction } from 'mariadb';

/** MariaDB's BOOLEAN is a number of one digit. */
const BOOLEAN_DIGITS = 1;

/**
 * Values as the rows' types say: a truth value is true or false, a date stays the text YYYY-MM-DD, an
 * instant is a Date (the connection speaks UTC).
 */
export const typeCast: TypeCastFunction = (column, next) => {
  if (column.type === 'TINY' && column.columnLength === BOOLEAN_DIGITS) {
    const digit = column.int();
    return digit === null ? null : digit !== 0;
  }
  if (column.type === 'DATE') return column.string();
  if (column.type === 'DATETIME' || column.type === 'TIMESTAMP') {
    const text = column.string();
    return text === null ? null : new Date(`${text.replace(' ', 'T')}Z`);
  }
  return next();
};
