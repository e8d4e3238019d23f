import { object } from 'yup';
import { causeModel } from '@/core/findings/causes/cause-model';
import { causeTablesInput } from '@/core/findings/causes/cause-tables-input';
import { deathOf } from '@/core/findings/causes/death-of';
import type { TablesPreview } from '@/core/findings/causes/tables-preview';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { checkedTables } from './club-tables';
import { deathsOf } from './deaths';

/** What other tables would say of the club's past deaths. Nothing is kept. */
export async function previewCauseTables(context: Context, input: unknown): Promise<TablesPreview> {
  allow(context, 'lead');
  const { tables: sent } = parse(object({ tables: causeTablesInput.fields.tables as never }), input) as {
    tables: unknown;
  };
  const tables = checkedTables(sent);
  const { deaths, tables: now } = await deathsOf(context, null);
  const model = causeModel(tables, now.model.power);
  const read = deaths.filter(({ problem }) => problem === '');
  const changed = read.flatMap((death) => {
    const { verdict } = deathOf(model, { group: death.group, evidence: death.evidence, mayCut: death.mayCut });
    const [before, after] = [death.verdict?.words ?? 'not known', verdict?.words ?? 'not known'];
    return before === after
      ? []
      : [
          {
            unionId: death.unionId,
            called: death.called,
            href: death.href,
            before,
            after,
            settled: death.settled?.words ?? '',
          },
        ];
  });
  const settled = read.filter((death) => death.settled !== null && death.settled.cause !== '');
  const agrees = (said: (death: (typeof read)[number]) => string | undefined): number =>
    settled.filter((death) => said(death) === death.settled!.cause).length;
  return {
    deaths: read.length,
    changed,
    settled: settled.length,
    agreeBefore: agrees(({ verdict }) => verdict?.cause),
    agreeAfter: agrees(({ group, evidence, mayCut }) => deathOf(model, { group, evidence, mayCut }).verdict?.cause),
  };
}
