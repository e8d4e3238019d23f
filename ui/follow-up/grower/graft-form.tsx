/** @jsxImportSource preact */
import { formatCode } from '@/core/codes/plant-code';
import { SAID } from '@/core/follow-up/said';
import { contradicts } from '@/core/follow-up/signs/contradicts';
import type { AnswerBack, GrowerGraft, Look } from '@/core/follow-up/grower/grower-page';
import type { TypedAnswer } from '@/core/follow-up/grower/typed-answer';
import type { Wording, WordingKey } from '@/core/follow-up/wording/wording';
import type { LengthUnit } from '@/core/units/length';
import { saidLength } from '@/core/units/prose';
import { DrawingShown } from './drawing';
import { LengthPicture } from './length-picture';
import { RibbonMark } from './ribbon-mark';

interface GraftFormProps {
  token: string;
  graft: GrowerGraft;
  entered: TypedAnswer;
  /** What was refused of it, in words; empty where nothing was. */
  refused: string;
  /** An answer as one text, to tell whether it was changed. */
  before: string;
  today: string;
  unit: LengthUnit;
  wording: Wording;
  /** By which the page names a drawing. */
  lookId: (look: Look) => string;
}

/** One graft: what it is, how it does, and what is said back; one that was told of folds its choices away. */
export function GraftForm(props: GraftFormProps) {
  const { token, graft, refused, before, wording } = props;
  const { say, day } = wording;
  const { unionId, code, told } = graft;
  return (
    <fieldset class="graft" data-union={unionId}>
      <legend>{formatCode(code)}</legend>
      <p class="of">
        <strong>{graft.variety}</strong> {say('page.on')} {graft.stockType} <RibbonMark id={graft.ribbon} />
      </p>
      <p class="quiet">
        {say('page.made', { method: graft.method, day: day(graft.madeOn) })}
        {graft.position && ` · ${say('page.place', { place: graft.position })}`}
        {graft.stands && ` · ${say('page.stands', { place: graft.stands })}`}{' '}
        <a href={`/r/${token}/${code}`}>{say('page.life')}</a>
      </p>
      {refused && (
        <p class="refused" role="alert">
          {say('page.refused', { reason: refused })}
        </p>
      )}
      <input type="hidden" name={`${unionId}.before`} value={before} />
      {told ? (
        <>
          <Back back={told.back} wording={wording} />
          <details open={refused !== ''}>
            <summary>{say('page.change')}</summary>
            <Choices {...props} />
          </details>
        </>
      ) : (
        <>
          <Choices {...props} />
          <Back back={null} wording={wording} />
        </>
      )}
      <p class="state" role="status" />
    </fieldset>
  );
}

/** How it does, in a word; then what is seen of it. */
function Choices({ graft, entered, today, unit, wording, lookId }: GraftFormProps) {
  const { say } = wording;
  const { unionId, groups } = graft;
  return (
    <>
      <p class="question">{groups.length > 0 ? say('page.or') : graft.question}</p>
      <div class="group" role="radiogroup" aria-label={say('page.or')} data-group="said">
        <div class="taps">
          {graft.sayings.map(({ said, words }) => (
            <Tap name={`${unionId}.said`} value={said} chosen={entered.said === said} words={words} />
          ))}
        </div>
      </div>
      <div class="folds">
        {groups.length > 0 && (
          <details class="see" open={Object.values(entered.signs).some((option) => option !== '')}>
            <summary>{say('page.see')}</summary>
            <p class="question">{graft.question}</p>
            <Signs {...{ graft, entered, unit, wording }} />
            <Length {...{ graft, entered, wording }} />
            <Looks graft={graft} wording={wording} lookId={lookId} />
          </details>
        )}
        <More {...{ graft, entered, today, wording }} />
      </div>
    </>
  );
}

/** What can be seen of it, sign by sign; a length with a picture of how long that is. */
function Signs({ graft, entered, unit, wording }: Pick<GraftFormProps, 'graft' | 'entered' | 'unit' | 'wording'>) {
  const { say } = wording;
  const { unionId } = graft;
  return (
    <>
      {graft.groups.map(({ id, options, after }) => (
        <div
          class="group"
          role="radiogroup"
          aria-label={say(`sign.${id}`)}
          data-group={id}
          {...(after ? { 'data-after': `${after.group}:${after.options.join(',')}` } : {})}
        >
          <p class="ask">{say(`sign.${id}`)}</p>
          <div class="taps">
            {options.map((option) => (
              <Tap
                name={`${unionId}.sign.${id}`}
                value={option.id}
                chosen={entered.signs[id] === option.id}
                words={say(`sign.${id}.${option.id}` as WordingKey, { length: saidLength({ mm: graft.grown }, unit) })}
                against={SAID.filter((said) => contradicts(said, option.signs)).join(' ')}
              />
            ))}
          </div>
        </div>
      ))}
      {graft.measured && <LengthPicture mm={graft.grown} unit={unit} wording={wording} />}
    </>
  );
}

interface TapProps {
  name: string;
  value: string;
  chosen: boolean;
  words: string;
  /** Words it cannot go with. */
  against?: string;
}

function Tap({ name, value, chosen, words, against = '' }: TapProps) {
  return (
    <label class="tap">
      <input
        type="radio"
        name={name}
        value={value}
        checked={chosen}
        {...(against ? { 'data-against': against } : {})}
      />
      <span>{words}</span>
    </label>
  );
}

/** A union that lives and one that does not, at this age. */
function Looks({ graft: { looks }, wording: { say }, lookId }: Pick<GraftFormProps, 'graft' | 'wording' | 'lookId'>) {
  if (!looks) return null;
  const most = Math.max(looks.right.drawing.height / looks.right.drawing.width, 1);
  const width = Math.min(150, Math.round(260 / most));
  return (
    <details class="looks">
      <summary>{say('page.look-for')}</summary>
      <div class="pair">
        {(['right', 'wrong'] as const).map((side) => (
          <figure>
            <figcaption class={side}>{say(`page.${side}`)}</figcaption>
            <DrawingShown
              id={lookId(looks[side])}
              drawing={looks[side].drawing}
              width={width}
              title={say(`page.${side}`)}
            />
          </figure>
        ))}
      </div>
    </details>
  );
}

/** The length of the shoot, where it can be measured. */
function Length({ graft, entered, wording: { say } }: Pick<GraftFormProps, 'graft' | 'entered' | 'wording'>) {
  const { unionId, measured } = graft;
  if (!measured) return null;
  return (
    <div class="measure">
      <label>
        {say('page.growth-length')}
        <input
          name={`${unionId}.growth`}
          inputmode="decimal"
          maxlength={24}
          autocomplete="off"
          value={entered.growth}
        />
      </label>
      <label>
        {say('page.unit')}
        <select name={`${unionId}.unit`}>
          {(['mm', 'in', 'hand'] as const).map((unit) => (
            <option value={unit} selected={entered.growthUnit === unit}>
              {say(`page.unit.${unit}`)}
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}

/** The day, a note and a photo: for who likes to tell more. */
function More({ graft, entered, today, wording }: Pick<GraftFormProps, 'graft' | 'entered' | 'today' | 'wording'>) {
  const { say } = wording;
  const { unionId, madeOn, photos } = graft;
  const open = entered.note !== '' || entered.seenOn !== '';
  return (
    <details open={open}>
      <summary>{say('page.more')}</summary>
      <label class="tap wide">
        <input type="checkbox" name={`${unionId}.snapped`} value="yes" checked={entered.snapped} />
        <span>{say('sign.snapped')}</span>
      </label>
      <label>
        {say('page.seen-on')}
        <input type="date" name={`${unionId}.seenOn`} min={madeOn} max={today} value={entered.seenOn} />
      </label>
      <label>
        {say('page.note')}
        <input name={`${unionId}.note`} maxlength={500} autocomplete="off" value={entered.note} />
      </label>
      <label>
        {say('page.photo')}
        <input type="file" name={`${unionId}.photo`} accept="image/*" />
      </label>
      {photos > 0 && <p class="quiet">{say('page.photo-kept', { count: photos })}</p>}
    </details>
  );
}

/** What is said back to an answer; the script fills it in after a tap. */
function Back({ back, wording: { say } }: { back: AnswerBack | null; wording: Wording }) {
  return (
    <div class="back" hidden={back === null} aria-live="polite">
      <p>
        <strong class="reading">{back?.reading}</strong> <span class="why">{back?.why}</span>{' '}
        <span class="next">{back?.next}</span>
      </p>
      <details class="second-head" hidden={!back || back.second.length === 0}>
        <summary>{say('page.second-try')}</summary>
        <ul class="second">
          {back?.second.map((words) => (
            <li>{words}</li>
          ))}
        </ul>
      </details>
      <p class="week-head" hidden>
        <strong>{say('page.this-week')}</strong>
      </p>
      <ul class="week" />
    </div>
  );
}
