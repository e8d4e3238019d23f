import { keeperSample, SAMPLE_WORDS, SAMPLES } from '@/core/score/readiness/keeper-sample';
import { formatCode } from '@/core/codes/plant-code';
import { type BenchState, judgedKeeper } from './bench-data';
import { ChoiceRow } from './choice-row';
import { useAtHand } from './use-at-hand';
import { nextToJudge } from './next-keeper';

interface KeepersToJudgeProps {
  state: BenchState;
  onOpen: (seatId: string, keeperId: string) => void;
}

/** How many keepers were judged, which of them there is time for, and the next one. */
export function KeepersToJudge({ state, onOpen }: KeepersToJudgeProps) {
  const { sample, remember } = useAtHand(state.workshop.id);
  const { keepers } = state;
  if (keepers.length === 0) return null;
  const taken = keeperSample(keepers, sample);
  const judged = keepers.filter(({ unionId }) => judgedKeeper(state, unionId));
  const left = keepers.filter(({ unionId }) => taken.has(unionId) && !judgedKeeper(state, unionId)).length;
  const next = nextToJudge(state, sample, null);
  return (
    <section aria-labelledby="keepers-title">
      <h2 id="keepers-title">Keepers</h2>
      <p className="text-sm">
        <strong>
          {judged.length} of {keepers.length}
        </strong>{' '}
        judged. One that nobody judged stays unjudged.
      </p>
      <div className="mt-1 flex flex-col gap-1">
        <ChoiceRow
          legend="Which keepers there is time for"
          name="sample"
          choices={SAMPLES.map((id) => ({ id, words: SAMPLE_WORDS[id] }))}
          value={sample}
          onChoose={(chosen) => remember({ sample: chosen })}
        />
        {next ? (
          <button
            type="button"
            className="bench-button justify-start text-left font-normal"
            onClick={() => onOpen(next.seatId, next.unionId)}
          >
            <span>
              <strong>Judge {formatCode(next.code)}</strong> of seat{' '}
              {state.seats.find(({ id }) => id === next.seatId)?.number}; {left} to go
            </span>
          </button>
        ) : (
          <p className="text-sm text-muted">All that the sample takes are judged.</p>
        )}
      </div>
    </section>
  );
}
