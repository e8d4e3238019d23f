import { counted } from '@/core/units/counted';
import { percent, percentRange } from '@/core/units/percent';
import { spoilSource } from '@/core/plan/quantities/spoiled-cuts';
import type { FoundOf, FoundTake } from '@/core/plan/quantities/found-take';
import { capital } from '@/core/units/capital';
import { METHODS } from '@/core/methods/registry';
import type { Metadata } from 'next';
import { CHLORINE_CAUTION } from '@/core/plan/quantities/kit';
import { quantities } from '@/server/plan/quantities';
import { KitTable } from '@/ui/plan/quantities/kit-table';
import { MethodsForm } from '@/ui/plan/quantities/methods-form';
import { WoodSupply } from '@/ui/plan/quantities/wood-supply';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';
import type { MethodsPart } from '@/server/plan/planned-methods';
import type { MethodNeed } from '@/core/plan/quantities/needs';

export const metadata: Metadata = { title: 'Quantities' };

export default async function PlanQuantities({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const { workshop, plan, planVersion, people, needs, founds, problem, lines, kitVersion, wood, stocks } =
    await orNotFound(quantities(context, id));
  const mayChange = context.actor.role !== 'viewer';

  return (
    <div className="flex flex-col gap-6">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>Quantities</h1>
          <p className="text-muted">
            For {counted(people, 'person', 'people')}
            {plan.expected !== null ? ', as expected' : ' on the roster'}.
          </p>
        </div>
        {mayChange && (
          <MethodsForm
            workshopId={id}
            version={planVersion}
            methods={plan.methods}
            expected={plan.expected}
            settings={plan.settings}
            main={workshop.method}
            known={METHODS.map(({ id: method, name, use, stumps }) => ({
              id: method,
              name,
              places: use.places,
              stumps: stumps ? [...stumps] : null,
            }))}
            unit={context.actor.lengthUnit}
          />
        )}
      </div>
      {problem ? (
        <p className="border-l-4 border-loud bg-sheet px-3 py-2 font-bold">{problem}</p>
      ) : (
        <>
          <CountsSection plan={plan} needs={needs} founds={founds} />
          <section aria-labelledby="supply" className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-2">
            <div>
              <h2 id="supply" className="mb-2">
                Scion wood
              </h2>
              <WoodSupply supply={wood} />
            </div>
            <StockSupply stocks={stocks} />
          </section>
          <section aria-labelledby="kit">
            <h2 id="kit" className="mb-2">
              Kit
            </h2>
            <KitTable key={kitVersion} workshopId={id} version={kitVersion} lines={lines} mayChange={mayChange} />
            <p className="mt-3 max-w-prose border-l-4 border-ink bg-sheet px-3 py-2 text-sm">{CHLORINE_CAUTION}</p>
          </section>
        </>
      )}
    </div>
  );
}

function Count({ chosen, value, unit }: { chosen: boolean; value: number | null; unit: string }) {
  return (
    <td className={`tabular-nums ${chosen ? 'font-bold underline decoration-2 underline-offset-4' : ''}`}>
      {value === null ? 'more than 60' : `${value} ${unit}`}
    </td>
  );
}

interface StockSupplyProps {
  stocks: { species: string; needed: number; there: number }[];
}

/** Stocks that are needed, and there. */
function StockSupply({ stocks }: StockSupplyProps) {
  return (
    <div>
      <h2 className="mb-2">Stocks</h2>
      <ul>
        {stocks.map(({ species, needed, there }) => (
          <li key={species}>
            <strong>
              {capital(species)}: {needed} needed
            </strong>
            , {there} in the chosen lots{there < needed ? `: ${needed - there} short` : ''}.
          </li>
        ))}
      </ul>
    </div>
  );
}

const FOUND_OF: Record<FoundOf, string> = {
  wood: 'made so in this season, with the same wood (variety and source)',
  'variant-here': 'made so in this season, at this site',
  variant: 'made so in this season',
  here: 'at this site',
  method: 'of the method',
};

/** From how many workshops of its own on the club's take alone is believed. */
const OWN_ALONE = 3;

/** What the club found itself, and what another year of answers would do. */
function foundWords({ alive, dead, foundOf, workshops }: FoundTake): string {
  if (workshops.length === 0) return 'what is usual of the method, since the club has no answers of its own yet';
  const own = `${alive} of ${alive + dead} lived in ${counted(workshops.length, 'workshop')} ${FOUND_OF[foundOf]}`;
  if (workshops.length >= OWN_ALONE) return `${own}. Each year of answers more narrows this.`;
  return `${own}, and what is usual of the method. From ${OWN_ALONE} workshops on the club’s own alone counts.`;
}

const PIECES = { scion: 'scion', bud: 'bud', tip: 'tip' } as const;

/** What one method asks for. */
function NeedRow({ need, found, aim }: { need: MethodNeed; found: FoundTake; aim: MethodsPart['settings']['aim'] }) {
  const { method, plan: planned, take, counts, keepers, practice, stocks, sticks, prunings, pieces, spoils } = need;
  return (
    <tr>
      <th scope="row" className="!border-b !border-line !text-base">
        {method.name}
        <span className="block text-sm font-normal text-muted">
          {planned.scionSpecies} on {planned.stockSpecies}
        </span>
      </th>
      <td className="tabular-nums">{planned.keepersEach}</td>
      <td className="tabular-nums">
        {percent(take.expected)}
        <span className="block text-sm text-muted">
          {percentRange(take)} in nine workshops of ten, going by {foundWords(found)}
        </span>
      </td>
      <Count chosen={aim === 'each'} value={counts.each} unit="each" />
      <Count chosen={aim === 'everybody'} value={counts.everybody} unit="each" />
      <Count chosen={aim === 'pooled'} value={counts.pooled} unit="in all" />
      <td className="font-bold tabular-nums">{keepers}</td>
      <td className="tabular-nums">
        {practice}
        <span className="block text-sm text-muted">
          {planned.practiceEach} each, on {planned.practiceOn === 'good' ? 'good wood' : 'prunings'}
        </span>
      </td>
      <td className="tabular-nums">
        {counted(stocks, 'stock')}, {counted(sticks, 'stick')}
        <span className={pieces === 0 ? 'hidden' : 'block text-sm text-muted'}>
          {counted(pieces, PIECES[method.use.takes.piece])} cut
          {spoils.share > 0 ? `, ${percent(spoils.share)} of them spoiled (${spoilSource(spoils)})` : ''}
        </span>
        {prunings > 0 && <span className="block text-sm text-muted">and {counted(prunings, 'pruning')}</span>}
      </td>
    </tr>
  );
}

interface CountsSectionProps {
  plan: MethodsPart;
  needs: MethodNeed[];
  founds: FoundTake[];
}

/** How many to make of each method. */
function CountsSection({ plan, needs, founds }: CountsSectionProps) {
  return (
    <section aria-labelledby="counts" className="relative overflow-x-auto" tabIndex={0}>
      <h2 id="counts" className="mb-1">
        How many to make, for a chance of {percent(plan.settings.confidence)} that the promise is kept
      </h2>
      <table className="bench-table min-w-[50rem]">
        <thead>
          <tr>
            <th scope="col">Method</th>
            <th scope="col">Promised each</th>
            <th scope="col">Take believed</th>
            <th scope="col">For each person</th>
            <th scope="col">For everybody at once</th>
            <th scope="col">Shared</th>
            <th scope="col">Made to keep</th>
            <th scope="col">Practice</th>
            <th scope="col">Stocks, sticks</th>
          </tr>
        </thead>
        <tbody>
          {needs.map((need, i) => (
            <NeedRow key={need.method.id} need={need} found={founds[i]!} aim={plan.settings.aim} />
          ))}
        </tbody>
      </table>
    </section>
  );
}
