'use client';

import { COLOURS } from '@/core/drawing/colours';
import { type ReactNode, useMemo } from 'react';
import type { DisplayList } from '@/core/drawing/display-list';
import type { Assessment, Point } from '@/core/methods/method';
import type { PointGrade } from '@/core/contact/grade';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';
import { useNarrow } from './use-narrow';

export interface StagePoint {
  point: Point;
  grade: PointGrade;
  marked: boolean;
}

interface UnionStageProps {
  assessment: Assessment;
  points: StagePoint[];
  unit: LengthUnit;
  /** Offset where the scion should go, drawn as a dotted line. */
  ghost: number | null;
  /** The drawing is of assumed figures, since some are still to be entered. */
  assumed: boolean;
  /** Height of the cross-section, mm from the middle of the face. */
  level: number;
  onMark: (point: Point) => void;
  /** Says nothing of how the lines meet: that is for whoever looks to judge. */
  silent?: boolean;
  /** The union cut across, beside the points that are measured. */
  across?: ReactNode;
  /** What stands under the face view. */
  below?: ReactNode;
}

/**
 * The union large: the side view whose parts are the things one marks, and the face view with both
 * green lines.
 */
export function UnionStage({
  assessment,
  points,
  unit,
  ghost,
  assumed,
  level,
  onMark,
  silent = false,
  across,
  below,
}: UnionStageProps) {
  const narrow = useNarrow();
  const { contact, contactGrade } = assessment;
  const upsideDown = points.some(({ point, grade }) => point.id === 'way-up' && grade === 'fatal');
  const side = useMemo(() => assessment.side({ unit, upsideDown }), [assessment, unit, upsideDown]);
  const face = useMemo(
    () => assessment.lines({ unit, ghost, level: assessment.section && assessment.reach > 0 ? level : null }),
    [assessment, unit, ghost, level],
  );

  const judged = points.filter(({ point }) => side.anchors.some((anchor) => anchor.point === point.id));
  const measured = points.filter(
    ({ point }) => !side.anchors.some((anchor) => anchor.point === point.id) && point.faults.length > 0,
  );
  const room = narrow ? NARROW : WIDE;
  const sideWidth = Math.min(room.side, (side.width * room.tall) / side.height);
  // What the side view does not take, the faces have.
  const faceWidth = narrow ? 320 : room.all - room.button - sideWidth;
  return (
    <div
      className={`flex flex-wrap items-start justify-center gap-x-3 gap-y-4 lg:justify-between ${assumed ? '[&_.drawing]:opacity-50' : ''}`}
    >
      <MarkableSide
        unit={unit}
        drawing={side}
        width={sideWidth}
        buttonWidth={room.button}
        bothSides={narrow}
        points={judged}
        onMark={onMark}
      />
      <div className="flex flex-col items-center gap-1" style={{ width: faceWidth }}>
        <p className="text-center text-[0.95rem] font-bold" aria-live="polite">
          {silent
            ? 'The lines as they lie'
            : assumed
              ? 'Drawn from assumed figures'
              : `Lines meet: ${contactGrade.words}`}
        </p>
        <UnionDrawing
          drawing={face}
          width={Math.min(faceWidth, face.width * room.face, (face.width * room.faceTall) / face.height)}
          title={`The two green lines: ${silent ? '' : `${contactGrade.words}, `}${formatLength(contact.touching, unit)} touching of ${formatLength(contact.whole, unit)}`}
        />
        <div className="flex w-full items-start justify-center gap-3 max-sm:flex-wrap">
          <MeasuredPoints points={measured} narrow={narrow} beside={across != null} unit={unit} onMark={onMark} />
          {across}
        </div>
        {below}
      </div>
    </div>
  );
}

interface MeasuredPointsProps {
  points: StagePoint[];
  narrow: boolean;
  /** Something else stands next to them. */
  beside: boolean;
  unit: LengthUnit;
  onMark: (point: Point) => void;
}

function MeasuredPoints({ points, narrow, beside, unit, onMark }: MeasuredPointsProps) {
  return (
    <div
      className={
        beside
          ? 'flex gap-1.5 max-sm:flex-wrap max-sm:justify-center sm:flex-col'
          : 'flex flex-wrap justify-center gap-1.5'
      }
      role="group"
      aria-label="Points measured on the faces"
    >
      {points.map((stagePoint) => (
        <MarkButton
          key={stagePoint.point.id}
          {...stagePoint}
          onMark={onMark}
          width={narrow ? 102 : 96}
          unit={unit}
          brief
        />
      ))}
    </div>
  );
}

/** Room for the drawings, px, and the most a millimetre of the faces takes. */
const WIDE = { all: 656, side: 232, tall: 560, button: 126, face: 9, faceTall: 312 };
const NARROW = { all: 350, side: 138, tall: 420, button: 106, face: 5.7, faceTall: 330 };

interface MarkableSideProps {
  drawing: DisplayList;
  width: number;
  buttonWidth: number;
  /** Buttons on both sides, where there is little room; else all on the left. */
  bothSides: boolean;
  points: StagePoint[];
  unit: LengthUnit;
  onMark: (point: Point) => void;
}

const BUTTON_HEIGHT = 50;

/** The side view with a button for each part, tied to the part by a hairline. */
function MarkableSide({ drawing, width, buttonWidth, bothSides, points, unit, onMark }: MarkableSideProps) {
  const scale = width / drawing.width;
  const height = Math.max(drawing.height * scale, Math.ceil(points.length / (bothSides ? 2 : 1)) * (BUTTON_HEIGHT + 6));
  const top = (height - drawing.height * scale) / 2;
  const byHeight = [...points].sort((a, b) => anchorOf(a)[1] - anchorOf(b)[1]);
  function anchorOf({ point }: StagePoint): readonly [number, number] {
    return drawing.anchors.find((anchor) => anchor.point === point.id)!.at;
  }
  const columns = bothSides
    ? [byHeight.filter((_, i) => i % 2 === 0), byHeight.filter((_, i) => i % 2 === 1)]
    : [byHeight];
  const centre = (column: StagePoint[], i: number): number => (height * (i + 0.5)) / column.length;
  const total = width + columns.length * buttonWidth;
  return (
    <div
      className="relative"
      style={{ width: total, height }}
      role="group"
      aria-label="Parts of the union: mark what is wrong"
    >
      <div className="absolute" style={{ left: buttonWidth, top }}>
        <UnionDrawing drawing={drawing} width={width} title="The union from the side" />
      </div>
      <svg aria-hidden className="pointer-events-none absolute inset-0" width={total} height={height}>
        {columns.map((column, c) =>
          column.map((stagePoint, i) => {
            const [ax, ay] = anchorOf(stagePoint);
            const to = [buttonWidth + ax * scale, top + ay * scale];
            const from = [c === 0 ? buttonWidth - 2 : total - buttonWidth + 2, centre(column, i)];
            return (
              <g key={stagePoint.point.id} stroke={COLOURS.ink} strokeWidth={stagePoint.grade === 'good' ? 0.8 : 2}>
                <path d={`M${from[0]} ${from[1]}L${to[0]} ${to[1]}`} fill="none" />
                <circle cx={to[0]} cy={to[1]} r={stagePoint.grade === 'good' ? 2 : 3.5} fill={COLOURS.sheet} />
              </g>
            );
          }),
        )}
      </svg>
      {columns.map((column, c) =>
        column.map((stagePoint, i) => (
          <div
            key={stagePoint.point.id}
            className="absolute"
            style={{ left: c === 0 ? 0 : total - buttonWidth, top: centre(column, i) - BUTTON_HEIGHT / 2 }}
          >
            <MarkButton {...stagePoint} onMark={onMark} width={buttonWidth - 2} unit={unit} />
          </div>
        )),
      )}
    </div>
  );
}

/** A part: its letter, its name, and in words how it was found. */
function MarkButton({
  point,
  grade,
  marked,
  onMark,
  width,
  unit,
  brief = false,
}: StagePoint & { onMark: (point: Point) => void; width: number; unit: LengthUnit; brief?: boolean }) {
  const words =
    grade === 'good'
      ? 'good'
      : grade === 'not-looked-at'
        ? 'not looked at'
        : written(point.faults.find((fault) => fault.grade === grade)?.words ?? grade, unit);
  const box =
    grade === 'fatal'
      ? 'border-loud bg-loud text-white'
      : grade === 'poor' || grade === 'recut'
        ? 'border-ink bg-ink text-paper'
        : grade === 'not-looked-at'
          ? 'border-dashed border-muted bg-paper text-muted'
          : 'border-line bg-sheet';
  return (
    <button
      type="button"
      onClick={() => onMark(point)}
      data-point={point.id}
      data-grade={grade}
      aria-label={`${point.name}: ${grade === 'good' ? 'good' : `${grade.replaceAll('-', ' ')}, ${words}`}. Key ${point.letter.toUpperCase()}`}
      className={`flex cursor-pointer items-center gap-1.5 overflow-hidden border-2 px-1 text-left leading-tight ${box}`}
      style={{ width, height: BUTTON_HEIGHT, borderRadius: '2px 10px 2px 10px' }}
    >
      <span className="grid size-5 shrink-0 place-content-center border border-current text-[0.75rem] font-bold uppercase">
        {point.letter}
      </span>
      <span className="min-w-0">
        <span className={`block font-bold ${brief ? '-mr-1 text-[0.7rem] tracking-tight' : 'text-[0.82rem]'}`}>
          {point.name}
        </span>
        <span className="line-clamp-2 text-[0.72rem]">
          {brief ? grade.replaceAll('-', ' ') : marked || grade !== 'good' ? words : 'good'}
        </span>
      </span>
    </button>
  );
}
