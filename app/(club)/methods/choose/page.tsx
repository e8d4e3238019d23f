import type { Metadata } from 'next';
import Link from 'next/link';
import { chooseMethod, type Choice, type Situation } from '@/core/methods/choosing/choose-method';
import {
  bleedsAtAll,
  kindOf,
  pairingOf,
  VERDICT_WORDS,
  type Pairing,
} from '@/core/methods/compatibility/compatibility';
import { METHODS } from '@/core/methods/registry';
import { type Place, PLACE_WORDS, WOOD_WORDS, type WoodState } from '@/core/methods/use';
import { parseDecimal } from '@/core/units/decimal';
import { isIsoDate } from '@/core/units/iso-date';
import { formatLengthNumber, toMillimetres, type LengthUnit } from '@/core/units/length';
import { clubPairings } from '@/server/plan/club-pairings';
import { siteSeasons } from '@/core/plan/dates/site-seasons';
import { clubDay, siteYears } from '@/server/plan/season';
import { SituationForm } from '@/ui/teach/situation-form';
import { pageContext } from '../../../_http/session';
import { Season } from '../../_season';
import type { MethodFacts } from '@/core/methods/method-facts';

export const metadata: Metadata = { title: 'Which method today' };

type Query = Record<string, string | string[] | undefined>;

export default async function Choose({ searchParams }: { searchParams: Promise<Query> }) {
  const query = await searchParams;
  const context = await pageContext();
  const [{ today, hemisphere }, own, sites] = await Promise.all([
    clubDay(context),
    clubPairings(context),
    siteYears(context),
  ]);
  const unit = context.actor.lengthUnit;
  const problems: Record<string, string> = {};
  const text = (name: string, otherwise: string): string => (typeof query[name] === 'string' ? query[name] : otherwise);
  const length = (name: string, otherwise: number, words: string): number => {
    const typed = text(name, '');
    if (typed.trim() === '') return otherwise;
    const value = parseDecimal(typed);
    const mm = value === null ? Number.NaN : toMillimetres(value, unit);
    if (mm > 0 && mm <= 1000) return mm;
    problems[name] = `Enter ${words} in figures, more than 0.`;
    return otherwise;
  };
  const oneOf = <T extends string>(name: string, options: readonly T[], otherwise: T): T =>
    options.find((option) => option === text(name, otherwise)) ?? otherwise;
  const date = text('date', today);
  if (!isIsoDate(date)) problems.date = 'Enter the date as an existing day.';
  const situation: Situation = {
    stock: length('stock', 10, 'the stock’s caliper'),
    scion: length('scion', 9, 'the scion’s caliper'),
    woodLength: length('woodLength', 200, 'the length of the wood'),
    date: isIsoDate(date) ? date : today,
    climate: oneOf('climate', ['north', 'south', 'tropics'] as const, hemisphere),
    place: oneOf('place', Object.keys(PLACE_WORDS) as Place[], 'bench'),
    barkSlips: text('state', 'tight') === 'slips',
    wood: oneOf('wood', Object.keys(WOOD_WORDS) as WoodState[], 'dormant'),
    scarce: text('scarce', 'no') === 'yes',
    practised: text('skill', 'new') === 'practised',
  };
  const [species, scionSpecies] = [text('species', 'pear').slice(0, 60), text('scionSpecies', 'pear').slice(0, 60)];
  // Whoever names a half of the earth and no site asks the usual calendar.
  const site = sites.find(({ id }) => id === text('site', query.climate ? '' : (sites[0]?.id ?? ''))) ?? null;
  const work = { place: situation.place, scionSpecies: kindOf(scionSpecies), stockSpecies: kindOf(species) };
  const atSite = site && siteSeasons(site.year, METHODS, work, situation.date, context.actor.temperatureUnit);
  const choices = chooseMethod({ ...situation, atSite }, METHODS, unit);
  const pairing = species.trim() && scionSpecies.trim() ? pairingOf(species, scionSpecies, own) : null;
  return (
    <>
      <Season />
      <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
        <p className="mb-1">
          <Link href="/methods">All methods</Link>
        </p>
        <h1 className="mb-3">Which method today</h1>
        <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[20rem_minmax(0,1fr)]">
          <SituationForm
            species={species}
            scionSpecies={scionSpecies}
            unit={unit}
            situation={situation}
            sites={sites}
            site={site?.id ?? ''}
            problems={problems}
          />
          <Answers
            pairing={pairing}
            scionSpecies={scionSpecies}
            species={species}
            works={choices.filter((choice) => choice.works)}
            situation={situation}
            unit={unit}
            others={choices.filter((choice) => !choice.works)}
          />
        </div>
      </main>
    </>
  );
}

interface NotNowProps {
  others: Choice[];
}

/** Methods that do not work here, and what would have to change. */
function NotNow({ others }: NotNowProps) {
  return (
    <ul className="border-t-2 border-ink">
      {others.map(({ method, against, needs }) => (
        <li
          key={method.id}
          className="grid gap-x-4 border-b border-line py-2 sm:grid-cols-[11rem_minmax(0,1fr)_minmax(0,1.2fr)]"
        >
          <h3 className="font-bold">
            <Link href={`/methods/${method.id}`}>{method.name}</Link>
          </h3>
          <p className="text-muted">{against.join(' ')}</p>
          <p>{needs.join(' ')}</p>
        </li>
      ))}
    </ul>
  );
}

interface SuggestionProps {
  i: number;
  method: MethodFacts;
  situation: Situation;
  unit: LengthUnit;
  pro: string[];
  against: string[];
}

/** A method that works, with what speaks for it and against. */
function Suggestion({ i, method, situation, unit, pro, against }: SuggestionProps) {
  return (
    <li className="grid grid-cols-[2.5rem_minmax(0,1fr)] gap-x-3 border-b border-line py-2.5">
      <span className="text-3xl leading-none font-bold tabular-nums" aria-hidden>
        {i + 1}
      </span>
      <div>
        <h3 className="text-lg font-bold">
          <Link
            href={`/methods/${method.id}?stock=${formatLengthNumber(situation.stock, unit)}&scion=${formatLengthNumber(situation.scion, unit)}`}
          >
            {method.name}
          </Link>
        </h3>
        <p>{pro.join(' ')}</p>
        {against.length > 0 && <p className="border-l-4 border-line pl-2">Against it: {against.join(' ')}</p>}
      </div>
    </li>
  );
}

interface AnswersProps {
  pairing: Pairing | null;
  scionSpecies: string;
  species: string;
  works: Choice[];
  situation: Situation;
  unit: LengthUnit;
  others: Choice[];
}

/** What works today, and what does not. */
function Answers({ pairing, scionSpecies, species, works, situation, unit, others }: AnswersProps) {
  return (
    <div className="min-w-0">
      {pairing && pairing.verdict !== 'works' && (
        <p className="mb-3 border-l-4 border-ink pl-3">
          <strong>
            {scionSpecies} on {species}: {VERDICT_WORDS[pairing.verdict].toLowerCase()}.
          </strong>{' '}
          {pairing.note} <span className="text-muted">({pairing.source}. A warning, no veto.)</span>
        </p>
      )}
      {!pairing && species.trim() && (
        <p className="mb-3 border-l-4 border-line pl-3">
          Nothing is known of {scionSpecies} on {species}. <Link href="/methods/pairs">Write down what you learn</Link>.
        </p>
      )}
      {bleedsAtAll(species) && (
        <p className="mb-3 border-l-4 border-ink pl-3">
          <strong>A bleeding kind.</strong> For a graft that cuts it through in spring, cut the stock off and gash it 7
          to 10 days before, with fresh gashes on the day. Not for buds and patches: they go on a stock that stays
          whole.
        </p>
      )}
      <h2 className="mb-1">
        {works.length === 0 ? 'Nothing can work today as it is' : `Can work today, best first (${works.length})`}
      </h2>
      <ol className="mb-6 border-t-2 border-ink">
        {works.map(({ method, for: pro, against }, i) => (
          <Suggestion
            key={method.id}
            i={i}
            method={method}
            situation={situation}
            unit={unit}
            pro={pro}
            against={against}
          />
        ))}
      </ol>
      <h2 className="mb-1">What would have to change for the others</h2>
      <NotNow others={others} />
    </div>
  );
}
