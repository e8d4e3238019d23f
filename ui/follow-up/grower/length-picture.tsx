/** @jsxImportSource preact */
import { fingersWide } from '@/core/follow-up/grower/fingers-wide';
import type { Wording } from '@/core/follow-up/wording/wording';
import type { LengthUnit } from '@/core/units/length';
import { saidLength } from '@/core/units/prose';

/** Width of a finger as it is drawn. */
const FINGER = 20;

interface LengthPictureProps {
  mm: number;
  unit: LengthUnit;
  wording: Wording;
}

/** How long a shoot has to be, beside fingers: a phone does not know how large its millimetres are. */
export function LengthPicture({ mm, unit, wording: { say } }: LengthPictureProps) {
  const fingers = fingersWide(mm);
  const width = fingers * FINGER;
  const words = say('page.long', { length: saidLength({ mm }, unit), fingers });
  return (
    <figure class="long">
      <svg viewBox={`-2 0 ${width + 4} 74`} height={74} width={width + 4} aria-hidden="true">
        {Array.from({ length: fingers }, (_, i) => (
          <path class="finger" d={`M${i * FINGER} 74V38q0 -10 ${FINGER / 2} -10t${FINGER / 2} 10V74`} />
        ))}
        <path class="shoot-drawn" d={`M0 14H${width}`} />
        {[0.3, 0.62].map((at) => (
          <path class="leaf-drawn" d={`M${width * at} 14q4 -12 14 -12q-2 10 -14 12z`} />
        ))}
        <path class="ends" d={`M0 6V22M${width} 6V22`} />
      </svg>
      <figcaption class="plain">{words}</figcaption>
    </figure>
  );
}
