/** True when the connection went away under a statement, or its server stopped: nothing more can be asked on it. */
export function isConnectionLost(error: unknown): boolean {
  const { parent } = (error ?? {}) as { parent?: { code?: string; sqlState?: string; fatal?: boolean } };
  return (
    parent?.sqlState === '08S01' ||
    parent?.sqlState === '08000' ||
    parent?.fatal === true ||
    /^(ECONN|EPIPE|ER_CONNECTION|ER_SOCKET|ER_CMD_CONNECTION_CLOSED|ER_SERVER_SHUTDOWN)/.test(parent?.code ?? '')
  );
}
