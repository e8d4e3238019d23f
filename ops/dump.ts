import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { createReadStream, createWriteStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import * as mariadb from 'mariadb';

/** How the tools of MariaDB are told where to connect; the password goes by the environment, where no list of processes shows it. */
function connection(url: string): { args: string[]; env: NodeJS.ProcessEnv; schema: string } {
  const { hostname, port, username, password, pathname } = new URL(url);
  return {
    args: [
      '--no-defaults',
      `--host=${hostname}`,
      `--port=${port || '3306'}`,
      '--protocol=tcp',
      `--user=${decodeURIComponent(username)}`,
      '--default-character-set=utf8mb4',
    ],
    env: { ...process.env, MYSQL_PWD: decodeURIComponent(password) },
    schema: pathname.slice(1),
  };
}

/** Writes a schema as SQL: one state of all tables, with their triggers. */
export async function dumpSchema(url: string, file: string): Promise<void> {
  const { args, env, schema } = connection(url);
  const child = spawn(
    'mariadb-dump',
    [
      ...args,
      '--single-transaction',
      '--skip-lock-tables',
      '--hex-blob',
      '--triggers',
      '--no-tablespaces',
      '--skip-dump-date',
      schema,
    ],
    { env, stdio: ['ignore', 'pipe', 'pipe'] },
  );
  await finish(child, 'mariadb-dump', pipeline(child.stdout, createWriteStream(file, { mode: 0o600 })));
}

/** Plays SQL into a schema, which should be empty. */
export async function loadSchema(url: string, file: string): Promise<void> {
  const { args, env, schema } = connection(url);
  const child = spawn('mariadb', [...args, schema], { env, stdio: ['pipe', 'ignore', 'pipe'] });
  await finish(child, 'mariadb', pipeline(createReadStream(file), child.stdin));
}

async function finish(child: ReturnType<typeof spawn>, name: string, moved: Promise<void>): Promise<void> {
  let said = '';
  child.stderr!.on('data', (chunk: Buffer) => (said += chunk.toString()));
  const ended = once(child, 'exit') as Promise<[number | null, string | null]>;
  const [, [code, signal]] = await Promise.all([
    moved.catch((error: NodeJS.ErrnoException) => {
      if (error.code !== 'EPIPE') throw error;
    }),
    ended,
  ]);
  if (code !== 0) throw new Error(`${name} ended with ${signal ?? code}: ${said.trim().slice(0, 400)}`);
}

/** Rows of each table of a schema, and the migrations it has had. */
export async function contentOf(url: string): Promise<{ rows: Record<string, number>; migrations: string[] }> {
  const { hostname, port, username, password, pathname } = new URL(url);
  const link = await mariadb.createConnection({
    host: hostname,
    port: Number(port || 3306),
    user: decodeURIComponent(username),
    password: decodeURIComponent(password),
    database: pathname.slice(1),
    bigIntAsNumber: true,
  });
  try {
    const tables = (await link.query(
      "SELECT table_name AS t FROM information_schema.tables WHERE table_schema = DATABASE() AND table_type = 'BASE TABLE' ORDER BY table_name",
    )) as { t: string }[];
    const rows: Record<string, number> = {};
    for (const { t } of tables)
      rows[t] = ((await link.query(`SELECT COUNT(*) AS n FROM \`${t}\``)) as { n: number }[])[0]!.n;
    const migrations =
      rows.migrations === undefined
        ? []
        : ((await link.query('SELECT name FROM migrations ORDER BY name')) as { name: string }[]).map(
            ({ name }) => name,
          );
    return { rows, migrations };
  } finally {
    await link.end();
  }
}
