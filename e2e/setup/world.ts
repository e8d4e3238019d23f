/** What the tests of one worker run against, made by ops/e2e-world.ts. */
export interface World {
  url: string;
  /** Its database, outbox and list of erased people lie below it. */
  folder: string;
  /** Of everybody in its demo. */
  password: string;
  /** Process of its server. */
  pid: number;
  databasePort: number;
  /** Settings its server runs with; commands that tests start on it get them too. */
  environment: Record<string, string>;
}

/** The world of this worker; of the process that only looks which tests there are, any. */
export function ownWorld(): World {
  const worlds = JSON.parse(process.env.E2E_WORLDS!) as World[];
  return worlds[Number(process.env.TEST_PARALLEL_INDEX ?? 0)]!;
}
