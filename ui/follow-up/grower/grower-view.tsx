/** @jsxImportSource preact */
import { formatCode } from '@/core/codes/plant-code';
import type { GrowerGraft, GrowerPage } from '@/core/follow-up/grower/grower-page';
import type { DisplayList } from '@/core/drawing/display-list';
import type { TypedAnswer } from '@/core/follow-up/grower/typed-answer';
import type { Wording } from '@/core/follow-up/wording/wording';
import type { LengthUnit } from '@/core/units/length';
import { Drawings } from './drawing';
import { GraftForm } from './graft-form';
import { Happened } from './happened';
import { Tasks } from './tasks';

export interface GrowerViewProps {
  token: string;
  page: GrowerPage;
  wording: Wording;
  unit: LengthUnit;
  /** Names this rendering, so that its answers have the same ids when it is sent twice. */
  form: string;
  /** How many answers have just arrived by the form; null where none were sent. */
  arrived: { saved: number; photos: number } | null;
  /** What was told of a task, or that something happened, was just kept. */
  kept: boolean;
  /** What was refused, and what was typed there, by union. */
  refused: ReadonlyMap<string, { words: string; typed: TypedAnswer }>;
  /** A wish that wants a second word: to be erased, or to close the link. */
  sure: 'erase' | 'close' | null;
  contentOf: (entered: TypedAnswer) => string;
}

/** How many answers and how many photos came. */
function arrivedWords({ saved, photos }: { saved: number; photos: number }, say: Wording['say']): string {
  if (saved + photos === 0) return say('page.nothing-sent');
  const words = [
    ...(saved > 0 ? [say('page.sent', { count: saved })] : []),
    ...(photos > 0 ? [say('page.sent-photos', { count: photos })] : []),
  ];
  return words.join(' ');
}

/** A grower's own grafts, each with what is asked of it; and what they may ask of the club. A plain form without script. */
export function GrowerView(props: GrowerViewProps) {
  const { token, page, wording, unit, form, arrived, refused } = props;
  const { say } = wording;
  const looks = looksOf(page.grafts);
  const open = page.grafts.filter(({ told }) => told === null);
  const toDo = page.tasks.filter(({ actionId }) => actionId === '').length;
  return (
    <main>
      <p class="quiet">{page.clubName}</p>
      <h1>{say('page.heading', { name: page.name })}</h1>
      {arrived !== null && (arrived.saved + arrived.photos > 0 || refused.size === 0) && (
        <p class="said" role="status">
          {arrivedWords(arrived, say)}
        </p>
      )}
      {props.kept && (
        <p class="said" role="status">
          {say('tasks.kept')}
        </p>
      )}
      {page.grafts.length > 0 && (
        <p class="left" role="status">
          {say('page.left', { count: page.left })}
        </p>
      )}
      {toDo > 0 && page.grafts.length > 0 && (
        <p>
          <a class="link" href="#to-do">
            {say('page.to-do', { count: toDo })}
          </a>
        </p>
      )}
      {page.grafts.length === 0 && <p>{page.resting.length === 0 ? say('page.no-grafts') : say('page.none-now')}</p>}
      {page.grafts.length > 0 && (
        <form method="post" action={`/r/${token}`} enctype="multipart/form-data" id="answers">
          <input type="hidden" name="form" value={form} />
          {open.length > 1 && (
            <button class="all" type="submit" name="all" value="alive">
              {say('page.all-alive', { count: open.length })}
            </button>
          )}
          <Drawings drawings={new Map([...looks].map(([drawn, id]) => [id, JSON.parse(drawn) as DisplayList]))} />
          {page.grafts.map((graft) => {
            const told = enteredOf(graft, page.today, unit);
            const typed = refused.get(graft.unionId);
            return (
              <GraftForm
                token={token}
                graft={graft}
                entered={typed?.typed ?? told}
                refused={typed?.words ?? ''}
                before={graft.told ? props.contentOf(told) : ''}
                today={page.today}
                unit={unit}
                wording={wording}
                lookId={({ drawing }) => looks.get(JSON.stringify(drawing))!}
              />
            );
          })}
          <button class="main" type="submit">
            {say('page.send')}
          </button>
        </form>
      )}
      <Tasks token={token} form={form} tasks={page.tasks} wording={wording} />
      <Resting token={token} resting={page.resting} wording={wording} />
      <Happened token={token} form={form} plants={page.plants} today={page.today} wording={wording} />
      <YourSay {...props} />
      <script
        type="application/json"
        id="words"
        dangerouslySetInnerHTML={{ __html: wordsForScript(wording, page.grafts.length) }}
      />
    </main>
  );
}

type RestingProps = Pick<GrowerViewProps, 'token' | 'wording'> & { resting: GrowerPage['resting'] };

/** Grafts of which nothing is asked today. */
function Resting({ token, resting, wording: { say } }: RestingProps) {
  if (resting.length === 0) return null;
  return (
    <section aria-labelledby="later">
      <h2 id="later">{say('page.later')}</h2>
      <ul class="resting">
        {resting.map(({ code, variety, when, mayTell, unionId }) => (
          <li>
            <a class="link" href={`/r/${token}/${code}`}>
              {formatCode(code)}
            </a>{' '}
            {variety}. {when}{' '}
            {mayTell && (
              <a class="link" href={`/r/${token}?tell=${unionId}`}>
                {say('page.tell-anyway')}
              </a>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Each drawing of a page once, by itself as text, with the name it goes under. */
function looksOf(grafts: readonly GrowerGraft[]): ReadonlyMap<string, string> {
  const drawn = grafts.flatMap(({ looks }) => (looks ? [looks.right.drawing, looks.wrong.drawing] : []));
  return new Map([...new Set(drawn.map((drawing) => JSON.stringify(drawing)))].map((text, i) => [text, `look-${i}`]));
}

/** What stands in the fields of a graft that was told of. */
function enteredOf({ told }: GrowerGraft, today: string, unit: LengthUnit): TypedAnswer {
  return {
    signs: told?.choices ?? {},
    said: told?.said ?? '',
    snapped: told?.snapped ?? false,
    growth: told?.growthMm ? String(told.growthMm) : '',
    // What was measured stands there in mm, whoever measured it in what.
    growthUnit: told?.growthMm ? 'mm' : unit,
    seenOn: told && told.seenOn !== today ? told.seenOn : '',
    note: told?.note ?? '',
  };
}

/** Words the script says; no tag can end in them. */
function wordsForScript({ say }: Wording, grafts: number): string {
  const words = {
    saving: say('page.saving'),
    saved: say('page.saved'),
    cleared: say('page.cleared'),
    waiting: say('page.waiting'),
    refused: say('page.refused', { reason: '{reason}' }),
    unknown: say('error.unknown'),
    /** By how many are left. */
    left: Array.from({ length: grafts + 1 }, (_, count) => say('page.left', { count })),
    all: Array.from({ length: grafts + 1 }, (_, count) => say('page.all-alive', { count })),
  };
  return JSON.stringify(words).replaceAll('<', '\\u003c');
}

/** Leave to write, the language, a copy, the link, erasure: shown on every page. */
function YourSay({ token, page, wording, sure }: GrowerViewProps) {
  const { say } = wording;
  const club = page.clubName;
  return (
    <section class="say" aria-labelledby="say">
      <h2 id="say">{say('consent.heading')}</h2>
      <p>{say('consent.read-by', { club })}</p>
      {page.hasAddress && (
        <>
          <p>{say(page.mayContact ? 'consent.yes' : 'consent.no', { club })}</p>
          <Wish token={token} what={page.mayContact ? 'stop' : 'allow'}>
            {say(page.mayContact ? 'consent.stop' : 'consent.allow')}
          </Wish>
        </>
      )}
      <details open={sure !== null}>
        <summary>{say('consent.more')}</summary>
        {page.languages.length > 1 && (
          <form method="post" action={`/r/${token}`}>
            <input type="hidden" name="wish" value="language" />
            <label>
              {say('consent.language')}
              <select name="language">
                {page.languages.map(({ language, name }) => (
                  <option value={language} selected={language === page.language}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
            <button type="submit">{say('consent.language-set')}</button>
          </form>
        )}
        <p>
          <a class="link" href={`/r/${token}/calendar.ics`}>
            {say('page.calendar')}
          </a>
        </p>
        <p>
          <a class="link" href={`/r/${token}/copy`} download>
            {say('consent.copy')}
          </a>
        </p>
        {sure === null ? (
          <p>
            <a class="link" href={`/r/${token}?sure=close#say`}>
              {say('consent.withdraw')}
            </a>{' '}
            <a class="link" href={`/r/${token}?sure=erase#say`}>
              {say('consent.erase')}
            </a>
          </p>
        ) : (
          <div class="sure">
            <p>{say(sure === 'erase' ? 'consent.erase-sure' : 'consent.withdraw-sure')}</p>
            <Wish token={token} what={sure} loud>
              {say(sure === 'erase' ? 'consent.erase-yes' : 'consent.withdraw-yes')}
            </Wish>
            <a class="link" href={`/r/${token}`}>
              {say('consent.keep')}
            </a>
          </div>
        )}
      </details>
    </section>
  );
}

interface WishProps {
  token: string;
  what: string;
  loud?: boolean;
  children: string;
}

function Wish({ token, what, loud = false, children }: WishProps) {
  return (
    <form method="post" action={`/r/${token}`}>
      <input type="hidden" name="wish" value={what} />
      <button type="submit" class={loud ? 'loud' : ''}>
        {children}
      </button>
    </form>
  );
}
