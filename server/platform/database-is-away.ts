import { isConnectionLost } from '@/db/connection-lost';

/** True when an error says that the database cannot be asked now: away, restarting, or with no connection free. */
export function databaseIsAway(error: unknown): boolean {
  const { name = '' } = (error ?? {}) as { name?: string };
  return /^Sequelize(Connection|HostNot|AccessDenied)/.test(name) || isConnectionLost(error);
}

/** True when the database is there but no connection came free in time. */
export function isCrowded(error: unknown): boolean {
  return (error as { name?: string } | null)?.name === 'SequelizeConnectionAcquireTimeoutError';
}

/** True when a text was asked for as an id that no id can be: with signs that ids do not have. */
export function isNoId(error: unknown): boolean {
  return (error as { parent?: { errno?: number } } | null)?.parent?.errno === 1267;
}
