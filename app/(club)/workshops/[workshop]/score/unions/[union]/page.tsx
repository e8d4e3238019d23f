import type { Metadata } from 'next';
import Link from 'next/link';
import { methodById } from '@/core/methods/registry';
import { openUnion } from '@/server/score/union-page';
import { UnionPhotos } from '@/ui/score/photos/union-photos';
import { CutLooks } from '@/ui/score/bench/cut-looks';
import { scoreText } from '@/ui/score/bench/bench-data';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';
import { orNotFound } from '../../../../../../_http/or-not-found';
import { pageContext } from '../../../../../../_http/session';

export const metadata: Metadata = { title: 'A union' };

export default async function Union({ params }: { params: Promise<{ workshop: string; union: string }> }) {
  const { workshop: id, union: unionId } = await params;
  const context = await pageContext();
  const { workshop, union, called, seat, photos, looks, rows, assessment } = await orNotFound(
    openUnion(context, id, unionId),
  );
  const unit = context.actor.lengthUnit;
  const mayChange = context.actor.role !== 'viewer';
  const [side, lines] = [assessment.side({ unit }), assessment.lines({ unit })];
  const method = methodById(workshop.method);
  return (
    <>
      <div className="mb-3 flex flex-wrap items-baseline gap-3">
        <h1 className="grow">
          {called}{' '}
          <span className="text-base font-normal">
            {seat.name}: {scoreText(union.counts.score)}, {union.counts.contactWords}
          </span>
        </h1>
        <Link className="bench-button" href={`/workshops/${id}/score?seat=${seat.number}`}>
          To seat {seat.number} at the bench
        </Link>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-x-8 gap-y-6 lg:grid-cols-[24rem_minmax(0,1fr)]">
        <div className="flex flex-col gap-5">
          <div className="flex items-start justify-center gap-6">
            <UnionDrawing
              drawing={side}
              width={Math.min(150, (side.width * 420) / side.height)}
              title={`${called} from the side`}
            />
            <UnionDrawing
              drawing={lines}
              width={Math.min(190, (lines.width * 360) / lines.height)}
              title={`${called}: ${union.counts.contactWords}`}
            />
          </div>
          <CutLooks
            unionId={union.id}
            mayChange={mayChange}
            computed={union.counts.contact}
            looks={looks.map(({ id: lookId, callus, contactSeen, lookedOn, note, by }) => ({
              id: lookId,
              callus,
              contactSeen,
              lookedOn,
              note,
              by,
            }))}
          />
          <JudgementRows rows={rows} />
        </div>
        <UnionPhotos
          workshopId={id}
          unionId={union.id}
          called={called}
          mayChange={mayChange}
          photos={photos}
          unit={unit}
          assessorId={context.actor.userId}
          seatId={seat.id}
          seatNumber={seat.number}
          number={union.number}
          method={method.id}
          counts={{
            id: union.counts.id,
            measures: union.counts.measures,
            marks: union.counts.marks,
            note: union.counts.note,
          }}
          fields={method.fields
            .filter(({ unit: kind, place, typed }) => kind === 'degrees' || place !== 'picked' || typed)
            .map(({ id: field, short, unit: kind }) => ({ id: field, short, unit: kind }))}
        />
      </div>
    </>
  );
}

interface JudgementRowsProps {
  rows: Awaited<ReturnType<typeof openUnion>>['rows'];
}

/** Everything that was judged. */
function JudgementRows({ rows }: JudgementRowsProps) {
  return (
    <section aria-labelledby="rows-title">
      <h2 id="rows-title">Everything that was judged</h2>
      <ol className="divide-y divide-line border-y border-line text-sm">
        {rows.map((row) => (
          <li key={row.id} className="py-1.5">
            <strong className={row.withdrawn ? 'line-through' : ''}>{scoreText(row.score)}</strong> {row.contactWords},{' '}
            {row.assessor || 'assessor'}, rubric {row.rubric}
            {row.counts && <strong>, counts</strong>}
            {row.blind && ', second assessor'}
            {row.rescored && ', scored again by a later rubric'}
            {row.withdrawn && ', taken back'}
            {row.seconds !== null && row.seconds > 0 && `, ${row.seconds} s`}
            {row.strokes !== null && `, ${row.strokes} strokes`}
            {row.note && <span className="block text-muted">{row.note}</span>}
          </li>
        ))}
      </ol>
    </section>
  );
}
