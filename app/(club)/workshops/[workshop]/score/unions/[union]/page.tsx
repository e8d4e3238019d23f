import type { Metadata } from 'next';
import Link from 'next/link';
import { openUnion } from '@/server/score/union-page';
import { UnionPhotos } from '@/ui/score/photos/union-photos';
import { CutLooks } from '@/ui/score/bench/cut-looks';
import { scoreText } from '@/ui/score/bench/bench-data';
import { STAGE_WORDS } from '@/ui/score/bench/keeper-strip';
import type { Method } from '@/core/methods/method';
import { POSITION_WORDS } from '@/core/methods/position';
import { shownTechnique } from '@/core/methods/shown-technique';
import { formatDate } from '@/core/units/iso-date';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';
import { orNotFound } from '../../../../../../_http/or-not-found';
import { pageContext } from '../../../../../../_http/session';

export const metadata: Metadata = { title: 'A union' };

export default async function Union({ params }: { params: Promise<{ workshop: string; union: string }> }) {
  const { workshop: id, union: unionId } = await params;
  const context = await pageContext();
  const { union, method, making, code, called, seat, photos, looks, rows, assessment } = await orNotFound(
    openUnion(context, id, unionId),
  );
  const unit = context.actor.lengthUnit;
  const mayChange = context.actor.role !== 'viewer';
  const [side, lines] = [assessment.side({ unit }), assessment.lines({ unit })];
  return (
    <>
      <div className="mb-3 flex flex-wrap items-baseline gap-3">
        <h1 className="grow">
          {called}{' '}
          <span className="text-base font-normal">
            {seat.name}: {scoreText(union.counts.score)}, {union.counts.contactWords}
          </span>
        </h1>
        <Link
          className="bench-button"
          href={`/workshops/${id}/score?seat=${seat.number}${code ? `&keeper=${code}` : ''}`}
        >
          {code ? 'Judge it at the bench' : `To seat ${seat.number} at the bench`}
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
          <HowItWasMade method={method} making={making} />
          {union.kind === 'practice' && <CutOpen union={union} looks={looks} mayChange={mayChange} />}
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
          draftKey={code ? union.id : seat.id}
          keeperCode={code}
          seatNumber={seat.number}
          number={union.number}
          method={method.id}
          counts={{
            id: union.counts.id,
            measures: union.counts.measures,
            marks: union.counts.marks,
            note: union.counts.note,
            stage: union.counts.stage,
            strokes: union.counts.strokes,
            outlook: union.counts.outlook,
            outlookBy: union.counts.outlookBy,
          }}
          fields={method.fields
            .filter(({ unit: kind, place, typed }) => kind === 'degrees' || place !== 'picked' || typed)
            .map(({ id: field, short, unit: kind }) => ({ id: field, short, unit: kind }))}
        />
      </div>
    </>
  );
}

type Opened = Awaited<ReturnType<typeof openUnion>>;

/** What was seen when it was cut open. */
function CutOpen({ union, looks, mayChange }: Pick<Opened, 'union' | 'looks'> & { mayChange: boolean }) {
  return (
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
  );
}

interface HowItWasMadeProps {
  method: Method;
  making: Opened['making'];
}

/** What a union carries of its making. */
function HowItWasMade({ method, making }: HowItWasMadeProps) {
  const variant = method.variants.find(({ id }) => id === making.variant);
  const names = new Map(shownTechnique(method, making.schools).materials.map(({ id, name }) => [id, name]));
  return (
    <p className="text-sm">
      <strong>{method.name}</strong>
      {variant?.words ? `, ${variant.words}` : ''}, made on {formatDate(making.madeOn)}
      {making.position === 'sole' ? '' : `, ${POSITION_WORDS[making.position]} on its plant`}
      {making.helperUserId || making.helperPersonId ? ', with help' : ''}.
      <span className="block text-muted">
        With {making.materials.map((id) => names.get(id) ?? id.replaceAll('-', ' ')).join(', ')}.
      </span>
    </p>
  );
}

interface JudgementRowsProps {
  rows: Opened['rows'];
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
            {row.stage !== 'joined' && `, ${STAGE_WORDS[row.stage]}`}
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
