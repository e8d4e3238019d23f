import { COLOURS } from '@/core/drawing/colours';
import { type CauseGroup, isBudded, isPatch } from '@/core/findings/causes/cause-tables';
import { PICTURES, SCION, type Shown } from './answer-pictures';

/** Where to look on a dead graft, and what an answer means, drawn: a ring shows the place. */
export function GuidePicture({ code, group, className = '' }: { code: string; group: CauseGroup; className?: string }) {
  const shown = PICTURES[code];
  if (!shown) return null;
  const budded = isBudded(group);
  // What a scion shows, a shield shows lower down.
  const [x, y, r] = budded && shown.look === SCION ? ([60, 76, 28] as const) : shown.look;
  return (
    <svg aria-hidden viewBox="0 0 120 150" className={className}>
      {shown.inside && budded ? (
        <OpenedBud inside={shown.inside} />
      ) : shown.inside ? (
        <OpenedUnion inside={shown.inside} />
      ) : budded ? (
        <BuddedStock shown={shown} square={isPatch(group)} />
      ) : (
        <GraftedStock shown={shown} />
      )}
      {!shown.inside && (
        <circle cx={x} cy={y} r={r} fill="none" stroke={COLOURS.loud} strokeWidth={2.5} strokeDasharray="5 3" />
      )}
    </svg>
  );
}

const SKIN = { fill: COLOURS.skin, stroke: COLOURS['skin-edge'], strokeWidth: 1.5 };

function Ground({ soil = 'moist' }: Pick<Shown, 'soil'>) {
  return (
    <g>
      <path d="M4 138H116V148H4Z" fill={soil === 'dry' ? COLOURS.pith : COLOURS['skin-edge']} />
      {soil === 'dry' && (
        <path d="M20 138l6 10M48 138l-5 10M72 138l7 10M98 138l-6 10" stroke={COLOURS['skin-edge']} fill="none" />
      )}
      {soil === 'wet' && (
        <path d="M6 134q8-5 16 0t16 0M72 134q8-5 16 0t16 0" stroke={COLOURS.steel} strokeWidth={3} fill="none" />
      )}
    </g>
  );
}

function StockShoots({ stock }: Pick<Shown, 'stock'>) {
  if (stock !== 'thrives' && stock !== 'overtops') return null;
  const top = stock === 'overtops' ? 12 : 82;
  return (
    <g>
      <path d={`M54 112Q30 104 28 ${top}`} fill="none" stroke={COLOURS.life} strokeWidth={3} />
      {[0, 1, 2].map((i) => {
        const y = top + i * ((100 - top) / 3);
        return <path key={i} d={`M28 ${y}q-14-4-18 6q12 6 18-6Z`} fill={COLOURS.leaf} stroke={COLOURS['leaf-edge']} />;
      })}
    </g>
  );
}

function GraftedStock({ shown }: { shown: Shown }) {
  const { scion = 'plain', buds = 'up', stock, wrap = 'whole', tie = false, broken, bitten, canker, scorched } = shown;
  const fill = scion === 'black' ? COLOURS.wax : COLOURS.skin;
  const lean = broken
    ? `rotate(${broken === 'smooth' ? 24 : 34} 66 ${broken === 'at-tie' ? 62 : 78}) translate(8 -2)`
    : undefined;
  return (
    <g>
      <Ground soil={shown.soil} />
      <StockShoots stock={stock} />
      <path d="M51 140V70H69V140Z" {...SKIN} fill={stock === 'dead' ? COLOURS.wax : COLOURS.skin} />
      <g transform={lean}>
        <path d={bitten ? 'M53 84V40l5 4 4-5 5 5V84Z' : 'M53 84V14H67V84Z'} {...SKIN} fill={fill} />
        {scion === 'wrinkled' && (
          <path
            d="M56 18v56M60 16v60M64 18v56M54 30h12M54 46h12M54 60h12"
            stroke={COLOURS['skin-edge']}
            strokeWidth={1}
            fill="none"
          />
        )}
        {!bitten &&
          [26, 50].map((y, i) => (
            <path
              key={y}
              d={budAt(i % 2 === 0 ? 53 : 67, y, i % 2 === 0 ? -1 : 1, buds)}
              {...SKIN}
              fill={COLOURS.bark}
            />
          ))}
        {scorched && <path d="M67 16V82h-6V16Z" fill={COLOURS.wax} />}
        <Shoot shown={shown} />
      </g>
      {broken === 'rough' && <path d="M51 70l4-9 4 8 3-11 4 10 3-7v9Z" {...SKIN} fill={COLOURS.wood} />}
      {broken === 'smooth' && <path d="M51 70L69 66V74H51Z" {...SKIN} fill={COLOURS.wood} />}
      {!broken && (
        <g>
          <path d="M49 68H71V92H49Z" fill={COLOURS.foil} stroke={COLOURS.ghost} />
          <path d="M49 74l22-4M49 82l22-4M49 90l22-4" stroke={COLOURS.ghost} fill="none" />
          {wrap === 'cracked' && <path d="M58 68l3 8-4 5 5 11" stroke={COLOURS.loud} strokeWidth={3} fill="none" />}
        </g>
      )}
      {tie && (
        <g>
          <path d="M46 62q14-9 28 0v6H46Z" {...SKIN} />
          <path d="M48 69H72" stroke={COLOURS.wax} strokeWidth={4} />
        </g>
      )}
      {canker && (
        <path d="M66 72q10 4 6 14q-8 6-12-4q-2-8 6-10Z" fill={COLOURS.wax} stroke={COLOURS.loud} strokeWidth={1.5} />
      )}
    </g>
  );
}

function budAt(x: number, y: number, side: -1 | 1, way: 'up' | 'down'): string {
  const tip = way === 'up' ? -9 : 9;
  return `M${x} ${y}q${side * 9} ${-tip / 3} ${side * 6} ${tip}q${-side * 7} ${-tip / 2} ${-side * 6} ${-tip}Z`;
}

function Shoot({ shown: { shoot = 'none', fallen = false, leaves = 'usual' } }: { shown: Shown }) {
  if (shoot === 'none') return null;
  const length = { short: 16, long: 34, seasons: 46 }[shoot];
  const colour = fallen ? COLOURS.bark : leaves === 'black' ? COLOURS.wax : COLOURS.life;
  const fill = fallen
    ? COLOURS.pith
    : leaves === 'black'
      ? COLOURS.wax
      : leaves === 'yellow'
        ? COLOURS.wood
        : COLOURS.leaf;
  const many = { short: 1, long: 2, seasons: 3 }[shoot];
  return (
    <g>
      <path
        d={`M67 26q${length} ${fallen ? 4 : -18} ${length} ${fallen ? length * 0.8 : -10}`}
        fill="none"
        stroke={colour}
        strokeWidth={shoot === 'seasons' ? 5 : 3}
      />
      {Array.from({ length: many }, (_, i) => {
        const [x, y] = [72 + ((i + 1) * length) / (many + 0.4), fallen ? 30 + i * 10 : 14 - i * 2];
        return (
          <g key={i}>
            <path d={`M${x - 6} ${y}q4-12 14-6q-2 12-14 6Z`} fill={fill} stroke={COLOURS['leaf-edge']} />
            {leaves === 'mottled' && <circle cx={x + 1} cy={y - 2} r={2} fill={COLOURS.wood} stroke={COLOURS.bark} />}
          </g>
        );
      })}
    </g>
  );
}

/** The outline of a budded stock: whole, torn off in splinters, or off clean. */
function budStock(broken: Shown['broken']): string {
  if (!broken) return 'M48 140V10H72V140Z';
  return broken === 'smooth' ? 'M48 140V84L72 78V140Z' : 'M48 140V86l5-12 4 9 5-14 4 11 6-8V140Z';
}

function BuddedStock({ shown, square }: { shown: Shown; square: boolean }) {
  const {
    shield = 'whole',
    scion,
    buds = 'up',
    stock,
    wrap,
    tie = false,
    broken,
    bitten,
    canker,
    scorched,
    shoot,
  } = shown;
  const brown = shield === 'brown' || scion === 'wrinkled';
  const fill = scion === 'black' ? COLOURS.wax : brown ? COLOURS.bark : COLOURS.leaf;
  return (
    <g>
      <Ground soil={shown.soil} />
      <StockShoots stock={stock} />
      <path d={budStock(broken)} {...SKIN} fill={stock === 'dead' ? COLOURS.wax : COLOURS.skin} />
      {!broken && !bitten && (
        <g>
          <path
            d={square ? 'M52 56H68V96H52Z' : 'M52 60Q60 50 68 60V92Q60 102 52 92Z'}
            fill={fill}
            stroke={COLOURS['skin-edge']}
            strokeWidth={1.5}
          />
          {shield === 'gap' && (
            <path d="M68 58Q78 76 68 94Q72 76 68 58Z" fill={COLOURS.white} stroke={COLOURS.loud} strokeWidth={2} />
          )}
          {brown && <path d="M55 62v28M60 58v38M65 62v28" stroke={COLOURS['skin-edge']} fill="none" />}
          {shield === 'hollow' ? (
            <circle cx={60} cy={76} r={5} fill={COLOURS.white} stroke={COLOURS.ink} strokeWidth={2} />
          ) : (
            <path
              d={buds === 'up' ? 'M55 80q5-18 10 0Z' : 'M55 72q5 18 10 0Z'}
              fill={COLOURS.bark}
              stroke={COLOURS['skin-edge']}
            />
          )}
        </g>
      )}
      {bitten && <path d="M48 60l8 4 6-6 10 6v30l-9-5-7 6-8-6Z" fill={COLOURS.wood} stroke={COLOURS['skin-edge']} />}
      {shoot && shoot !== 'none' && (
        <g transform="translate(0 46)">
          <Shoot shown={shown} />
        </g>
      )}
      {wrap && (
        <g stroke={COLOURS.ghost} fill={COLOURS.foil}>
          <path d="M46 52H74V62H46ZM46 90H74V100H46Z" />
          {wrap === 'cracked' && (
            <path d="M58 52l4 5-3 5M60 90l3 5-4 5" stroke={COLOURS.loud} strokeWidth={3} fill="none" />
          )}
        </g>
      )}
      {tie && (
        <g transform={broken ? 'translate(0 40)' : undefined}>
          <path d="M43 44q17-10 34 0v7H43Z" {...SKIN} />
          <path d="M45 53H75" stroke={COLOURS.wax} strokeWidth={4} />
        </g>
      )}
      {scorched && <path d="M72 20V130h-7V20Z" fill={COLOURS.wax} />}
      {canker && (
        <path d="M64 88q12 2 8 14q-9 5-13-4q-1-8 5-10Z" fill={COLOURS.wax} stroke={COLOURS.loud} strokeWidth={1.5} />
      )}
    </g>
  );
}

/** A union cut along: stock below, scion above, and what grew between them. */
function OpenedUnion({ inside }: { inside: NonNullable<Shown['inside']> }) {
  const callus = { fill: COLOURS.leaf, stroke: COLOURS['leaf-edge'] };
  const dead = inside === 'black';
  return (
    <g>
      <path d="M30 146V84L90 60V146Z" {...SKIN} fill={dead ? COLOURS.wax : COLOURS.wood} />
      <path d="M30 66V6H90V42Z" {...SKIN} fill={dead ? COLOURS.wax : COLOURS.wood} />
      {dead && <path d="M44 78q3 8 0 12q-5-4 0-12ZM70 64q3 8 0 12q-5-4 0-12Z" fill={COLOURS.steel} />}
      {(inside === 'not-met' || inside === 'stock-only') &&
        [36, 48, 60, 72, 84].map((x) => <circle key={x} cx={x} cy={79 - (x - 30) * 0.4} r={4} {...callus} />)}
      {inside === 'not-met' &&
        [36, 48, 60, 72, 84].map((x) => <circle key={x} cx={x} cy={67 - (x - 30) * 0.4} r={4} {...callus} />)}
      {inside === 'bridged' && <path d="M30 66L90 42V60L30 84Z" {...callus} />}
      {inside === 'brown' && (
        <g>
          <path d="M30 66L90 42V60L30 84Z" fill={COLOURS.wood} />
          <path d="M36 6V146M84 6V146" stroke={COLOURS.bark} strokeWidth={5} />
        </g>
      )}
      <path d="M30 6V66M30 84V146M90 6V42M90 60V146" stroke={COLOURS['skin-edge']} strokeWidth={4} />
    </g>
  );
}

/** A stock cut across its shield: wood left, shield right, and what grew between them. */
function OpenedBud({ inside }: { inside: NonNullable<Shown['inside']> }) {
  const callus = { fill: COLOURS.leaf, stroke: COLOURS['leaf-edge'] };
  const dead = inside === 'black';
  const rows = [46, 60, 74, 88, 102];
  return (
    <g>
      <path d="M22 6H62V146H22Z" {...SKIN} fill={dead ? COLOURS.wax : COLOURS.wood} />
      <path d="M78 36Q94 40 94 74T78 112Z" {...SKIN} fill={dead ? COLOURS.wax : COLOURS.leaf} />
      <path d="M94 66l12-8-4 16Z" {...SKIN} fill={COLOURS.bark} />
      {(inside === 'not-met' || inside === 'stock-only') &&
        rows.map((y) => <circle key={y} cx={65} cy={y} r={4} {...callus} />)}
      {inside === 'not-met' && rows.map((y) => <circle key={y} cx={75} cy={y} r={3} {...callus} />)}
      {inside === 'bridged' && <path d="M62 38H78V110H62Z" {...callus} />}
      {inside === 'brown' && <path d="M62 38H78V110H62Z" fill={COLOURS.wood} stroke={COLOURS.bark} strokeWidth={5} />}
      {dead && <path d="M66 50q3 8 0 12q-5-4 0-12ZM72 78q3 8 0 12q-5-4 0-12Z" fill={COLOURS.steel} />}
    </g>
  );
}
