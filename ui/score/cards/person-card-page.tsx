import type { PersonCard } from '@/core/score/cards/person-card';
import { formatCode } from '@/core/codes/plant-code';
import { thumbnail } from '@/core/drawing/thumbnail';
import type { FaultShown } from '@/core/teach/fault-shown';
import { linesOnCard } from '@/core/score/cards/card-lines';
import { formatDate } from '@/core/units/iso-date';
import { scoreText } from '../bench/bench-data';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';
import { UnionGlyph } from '@/ui/kit/union/union-glyph';
import { AttemptsChart } from './attempts-chart';

/** Width on a phone that a pair of drawings shares, px. */
const WIDE = 330;
/** Height of a step's drawings, px. */
const HIGH = 230;

/** A person's card on their phone: what they made, what to train, what to look at and when. */
export function PersonCardPage({ card }: { card: PersonCard }) {
  const pictured = [
    card.first && { head: 'First', ...card.first },
    card.last && { head: 'Last', ...card.last },
  ].flatMap((lines) => lines ?? []);
  // One scale for all, so that first and last can be compared.
  const scale = Math.min(...pictured.map(({ side, lines }) => (WIDE - 20) / (side.width + lines.width)), 5.5);
  return (
    <>
      <p className="text-muted">{card.clubName}</p>
      <h1>{card.name}</h1>
      <p className="mb-4">
        {card.workshop}, {formatDate(card.date)}, seat {card.seat}. {card.method}.
      </p>
      {card.unions.length === 0 ? (
        <p>No practice union was scored that day.</p>
      ) : (
        <section aria-labelledby="unions-title">
          <h2 id="unions-title">Your practice unions</h2>
          <ol className="my-2 flex flex-wrap gap-x-3 gap-y-1">
            {card.unions.map((union) => (
              <li key={union.number} className="flex flex-col items-center">
                <UnionGlyph
                  {...union.glyph}
                  size={30}
                  title={`Attempt ${union.number}${union.method ? `, ${union.method}` : ''}: ${union.words}`}
                />
                <span className="text-sm font-bold">{scoreText(union.score)}</span>
              </li>
            ))}
          </ol>
          <p className="text-sm">
            Thick green is where the lines met.{' '}
            {card.ready ? 'You are ready for living wood.' : 'The line of readiness is still ahead.'}
          </p>
          <AttemptsChart unions={card.unions} />
        </section>
      )}
      {pictured.map(({ head, union, side, lines }) => (
        <section key={head} aria-label={`${head} union`} className="mt-4">
          <h2>
            {head}: {scoreText(union.score)}
          </h2>
          <p className="mb-1 text-sm">{union.words}</p>
          <div className="flex items-start gap-5">
            <UnionDrawing drawing={side} width={side.width * scale} title={`${head} union from the side`} />
            <UnionDrawing drawing={lines} width={lines.width * scale} title={`${head} union: ${union.words}`} />
          </div>
        </section>
      ))}
      {card.unions.length > 0 && (
        <section aria-labelledby="train-title" className="mt-5">
          <h2 id="train-title">
            {card.train.length === 0 ? 'Nothing to train in particular: the same again' : 'What to train'}
          </h2>
          <ol className="flex flex-col gap-2">
            {card.train.map(({ point, name, times, outOf, how, shown }) => (
              <li key={point} className="border-l-4 border-ink pl-3">
                <strong>{name}</strong>, not good in {times} of your last {outOf}.<span className="block">{how}</span>
                {shown && <RightAndWrong {...shown} name={name} />}
              </li>
            ))}
          </ol>
        </section>
      )}
      {card.keepers.length > 0 && <GoesHome card={card} />}
    </>
  );
}

/** The step a fault comes from, as it should be and as it was; both to one scale. */
function RightAndWrong({ name, looks, ...drawings }: FaultShown & { name: string }) {
  const [right, wrong] = [thumbnail(drawings.right), thumbnail(drawings.wrong)];
  const scale = Math.min((WIDE - 60) / (right.width + wrong.width), HIGH / Math.max(right.height, wrong.height));
  return (
    <span className="mt-2 flex items-end gap-8 text-sm">
      <span className="flex flex-col gap-1">
        <b>Right</b>
        <UnionDrawing drawing={right} width={right.width * scale} title={`${name}, right`} />
      </span>
      <span className="flex flex-col gap-1">
        <b className="text-loud">✕ Wrong</b>
        <UnionDrawing drawing={wrong} width={wrong.width * scale} title={`${name}, wrong: ${looks}`} />
      </span>
    </span>
  );
}

interface GoesHomeProps {
  card: PersonCard;
}

/** What goes home, and what is done with it. */
function GoesHome({ card }: GoesHomeProps) {
  return (
    <section aria-labelledby="home-title" className="mt-5">
      <h2 id="home-title">What goes home with you</h2>
      <ul>
        {card.keepers.map(({ code, variety, stock, place, judged }) => (
          <li key={code + place} className="flex flex-wrap items-center gap-1.5">
            <strong>{formatCode(code)}</strong> {variety} on {stock}
            {place && `, ${place}`}
            {judged ? (
              <>
                <UnionGlyph {...judged.glyph} size={20} title={judged.words} /> {scoreText(judged.score)}
              </>
            ) : (
              <span className="text-sm text-muted">not judged</span>
            )}
          </li>
        ))}
      </ul>
      <h2 className="mt-4">What to do with it, and when</h2>
      <dl className="flex flex-col gap-2">
        {linesOnCard(card).map(({ when, look, what, missed }) => (
          <div key={when + what} className={look ? 'border-l-4 border-ink pl-3' : ''}>
            <dt className="font-bold">{when}</dt>
            <dd>
              {what}.{missed && <span className="text-muted"> Else: {missed}</span>}
            </dd>
          </div>
        ))}
      </dl>
      <p className="mt-3 text-sm">
        Sharp knives, sealants and sprays: read their labels, and follow the rules where you live.
      </p>
    </section>
  );
}
