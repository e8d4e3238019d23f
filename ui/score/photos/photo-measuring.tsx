'use client';
import { formatLength } from '@/core/units/length';
import { AskFirst } from '@/ui/kit/form/ask-first';
import { useMarks, type Marking, type PhotoMeasuringProps, type Tool, TOOLS } from './use-marks';
import { MarkedPicture } from './marked-picture';

/** A picture that is measured on by marks: first its scale, then lengths, angles and hollows. */
export function PhotoMeasuring(props: PhotoMeasuringProps) {
  const marking = useMarks(props);
  const { photo, mayChange, unit } = marking;

  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3 xl:grid-cols-[minmax(0,1fr)_17rem]">
      <MarkedPicture marking={marking} />
      <div className="flex flex-col gap-2">
        <p className="text-sm">
          {photo.scale ? (
            <>
              Scale set: {photo.scale.kind === 'coin' ? 'a coin' : 'a stretch of ruler'} of{' '}
              {formatLength(photo.scale.size, unit)}.
            </>
          ) : (
            <strong>No scale yet: nothing can be measured until a ruler or a coin sets it.</strong>
          )}
        </p>
        {mayChange && <MarkPanel marking={marking} />}
      </div>
    </div>
  );
}

/** Sets and takes back marks, and removes the picture. */
function MarkTools({ marking }: { marking: Marking }) {
  const { points, marks, setPoints, photo, onRemove, busy } = marking;
  return (
    <div className="flex flex-wrap gap-2">
      {points.length < marks.length && (
        <button
          type="button"
          className="bench-button"
          onClick={() => setPoints([...points, { x: photo.width / 2, y: photo.height / 2 }])}
        >
          Mark in the middle
        </button>
      )}
      <button
        type="button"
        className="bench-button"
        disabled={points.length === 0}
        onClick={() => setPoints(points.slice(0, -1))}
      >
        Undo a mark
      </button>
      <AskFirst
        question="Remove this picture?"
        meaning="Its measures go with it, and it cannot be brought back."
        yes="Remove it"
        onYes={() => onRemove()}
        trigger={
          <button type="button" className="bench-button" disabled={busy}>
            Remove picture
          </button>
        }
      />
    </div>
  );
}

/** The figure a measure is taken for. */
function TakenFigure({ marking }: { marking: Marking }) {
  const { fitting, field, setField, result, onTake, setPoints } = marking;
  return (
    <div className="flex flex-wrap gap-2">
      <select
        aria-label="Figure it is"
        className="bench-input"
        value={fitting.some(({ id }) => id === field) ? field : ''}
        onChange={(event) => setField(event.target.value)}
      >
        <option value="">which figure is it?</option>
        {fitting.map(({ id, short }) => (
          <option key={id} value={id}>
            {short}
          </option>
        ))}
      </select>
      <button
        type="button"
        className="bench-button"
        disabled={result.value === null || !fitting.some(({ id }) => id === field)}
        onClick={() => {
          if (result.value !== null) onTake(field, result.value);
          setPoints([]);
        }}
      >
        Take this figure
      </button>
    </div>
  );
}

/** What the marks are for. */
function ToolChoice({ marking }: { marking: Marking }) {
  const { tool, setTool, setPoints, photo } = marking;
  return (
    <label className="block text-sm font-bold">
      What the marks are for
      <select
        className="bench-input font-normal"
        value={tool}
        onChange={(event) => {
          setTool(event.target.value as Tool);
          setPoints([]);
        }}
      >
        {(Object.keys(TOOLS) as Tool[]).map((name) => (
          <option key={name} value={name} disabled={!photo.scale && (name === 'length' || name === 'hollow')}>
            {TOOLS[name].name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What the marks are for, what they come to, and what is done with it. */
function MarkPanel({ marking }: { marking: Marking }) {
  const { tool, points, marks, setsScale, size, setSize, result, busy, onScale } = marking;
  return (
    <>
      <ToolChoice marking={marking} />
      <p className="text-sm" aria-live="polite">
        {points.length < marks.length
          ? `Mark ${marks[points.length]}.`
          : 'All marks are set; move them until they sit.'}
      </p>
      {setsScale && (
        <label className="block text-sm font-bold">
          {tool === 'coin' ? `Diameter of the coin, ${marking.unit}` : `Length of the stretch, ${marking.unit}`}
          <input
            className="bench-input font-normal"
            inputMode="decimal"
            value={size}
            onChange={(event) => setSize(event.target.value)}
            autoComplete="off"
          />
        </label>
      )}
      <p className="min-h-7 text-xl font-bold tabular-nums" data-testid="measured">
        {result.words}
      </p>
      {result.problem && <p className="text-sm font-bold text-loud">{result.problem}</p>}
      {setsScale ? (
        <button
          type="button"
          className="bench-button"
          data-weight="main"
          disabled={busy || !result.scale}
          onClick={() => result.scale && onScale(result.scale)}
        >
          Set the scale
        </button>
      ) : (
        <TakenFigure marking={marking} />
      )}
      <MarkTools marking={marking} />
    </>
  );
}
