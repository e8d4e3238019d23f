import { COLOURS } from '@/core/drawing/colours';
import { assumedBark } from '@/core/contact/cut-face';

/** mm to drawing units: forty units are the width of a picture. */
const BOX = 40;

/** A pair seen from above, to scale: the stock's rings of bark and cambium, the scion's laid to one side until the lines meet. */
export function PairPicture({
  stock,
  scion,
  contact,
  largest,
}: {
  stock: number;
  scion: number;
  contact: number;
  largest: number;
}) {
  const scale = BOX / largest;
  const [rs, rc] = [stock / 2, scion / 2];
  const [cs, cc] = [rs - assumedBark(stock), rc - assumedBark(scion)];
  const x = BOX / 2 + (cs - cc) * scale;
  const good = contact >= 0.6;
  return (
    <svg viewBox={`0 0 ${BOX} ${BOX}`} className="size-11 shrink-0" aria-hidden>
      <circle
        cx={BOX / 2}
        cy={BOX / 2}
        r={rs * scale}
        fill={COLOURS.skin}
        stroke={COLOURS['skin-edge']}
        strokeWidth={0.7}
      />
      <circle cx={BOX / 2} cy={BOX / 2} r={cs * scale} fill={COLOURS.wood} stroke={COLOURS.ink} strokeWidth={0.9} />
      <circle
        cx={x}
        cy={BOX / 2}
        r={cc * scale}
        fill={COLOURS.sheet}
        fillOpacity={0.75}
        stroke={good ? COLOURS.life : COLOURS.ink}
        strokeWidth={good ? 2 : 0.9}
        strokeDasharray={contact >= 0.15 ? undefined : '2 2'}
      />
    </svg>
  );
}
