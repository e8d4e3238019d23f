import { METHODS } from '@/core/methods/registry';
import type { Metadata } from 'next';
import { pairingData } from '@/server/plan/pairing-data';
import { Measuring } from '@/ui/plan/pairing/measuring';
import { PairWarnings } from '@/ui/plan/wood/pair-warnings';
import { PairingBoard } from '@/ui/plan/pairing/pairing-board';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';

export const metadata: Metadata = { title: 'Pairs' };

export default async function PlanPairs({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const { pieces, woodLots, stockLots, version, method, place, stocks, scions, seats, saved, warnings } =
    await orNotFound(pairingData(context, id));
  const mayChange = context.actor.role !== 'viewer';
  const unit = context.actor.lengthUnit;
  return (
    <div className="flex flex-col gap-5">
      <div>
        <h1>Pairs</h1>
        <p className="text-muted">
          Measure sticks and stocks at the place of the cut. A caliper that types sends its figure and Enter;{' '}
          <a href="/stand-ins/caliper" target="_blank" rel="noreferrer">
            the simulated one
          </a>{' '}
          does the same.
        </p>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-2">
        <Measuring
          workshopId={id}
          kind="stock"
          lots={stockLots}
          pieces={pieces.filter(({ kind }) => kind === 'stock')}
          unit={unit}
          mayChange={mayChange}
        />
        <Measuring
          workshopId={id}
          kind="stick"
          lots={woodLots}
          pieces={pieces.filter(({ kind }) => kind === 'stick')}
          unit={unit}
          mayChange={mayChange}
        />
      </div>
      <PairWarnings warnings={warnings} />
      <PairingBoard
        key={`${version}-${pieces.length}`}
        workshopId={id}
        version={version}
        method={method}
        names={Object.fromEntries(METHODS.map((known) => [known.id, known.name]))}
        place={place}
        stocks={stocks}
        sticks={pieces.filter(({ kind }) => kind === 'stick')}
        scions={scions}
        seats={seats}
        saved={saved}
        unit={unit}
        mayChange={mayChange}
      />
    </div>
  );
}
