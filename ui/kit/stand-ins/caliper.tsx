'use client';

import { COLOURS } from '@/core/drawing/colours';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { CALIPER_CHANNEL, type CaliperMessage } from './caliper-channel';

/** What calipers of this world send when they have no figure: a fault, an open jaw, a flat battery. */
const RUBBISH = ['ERR', 'Er--', 'OL', 'no data'];

/** A caliper one sets with a slider and that types its figure into the field in use, in any window of this browser. */
export function Caliper() {
  const [tenths, setTenths] = useState(94);
  const [comma, setComma] = useState(false);
  const [unit, setUnit] = useState<'' | ' mm' | ' in'>('');
  const [sent, setSent] = useState<string[]>([]);
  const mm = tenths / 10;
  const figure = unit === ' in' ? (mm / 25.4).toFixed(3) : mm.toFixed(2);
  const text = (comma ? figure.replace('.', ',') : figure) + unit;
  const type = (what: string): void => {
    const channel = new BroadcastChannel(CALIPER_CHANNEL);
    channel.postMessage({ text: what } satisfies CaliperMessage);
    channel.close();
    setSent([what, ...sent].slice(0, 5));
  };
  return (
    <div className="board flex flex-col gap-3">
      <svg viewBox="0 0 320 110" className="w-full" role="img" aria-label={`Jaws open ${text}`}>
        <path d="M10 20H310V44H10Z" fill={COLOURS.mist} stroke={COLOURS.ink} strokeWidth={1.5} />
        {Array.from({ length: 31 }, (_, i) => (
          <path key={i} d={`M${40 + i * 8} 44V${i % 5 === 0 ? 34 : 39}`} stroke={COLOURS.ink} />
        ))}
        <path d="M10 20H40V96L28 104L10 60Z" fill={COLOURS.steel} stroke={COLOURS.ink} strokeWidth={1.5} />
        <g transform={`translate(${mm * 8} 0)`}>
          <path d="M40 14H100V50H66L64 60L52 104L40 96Z" fill={COLOURS.steel} stroke={COLOURS.ink} strokeWidth={1.5} />
          <rect x={50} y={18} width={46} height={26} fill={COLOURS.sheet} stroke={COLOURS.ink} />
          <text x={73} y={36} textAnchor="middle" fontSize={14} fontWeight={700}>
            {figure}
          </text>
        </g>
      </svg>
      <label className="font-bold">
        Opened to, mm
        <input
          type="range"
          min={15}
          max={260}
          value={tenths}
          className="w-full"
          onChange={(event) => setTenths(Number(event.target.value))}
        />
      </label>
      <CaliperSettings comma={comma} setComma={setComma} unit={unit} setUnit={setUnit} />
      <div className="flex flex-wrap gap-3">
        <button type="button" className="bench-button" data-weight="main" onClick={() => type(text)}>
          Type {text} and Enter
        </button>
        {RUBBISH.map((text) => (
          <button key={text} type="button" className="bench-button" onClick={() => type(text)}>
            Type “{text}”
          </button>
        ))}
      </div>
      <p role="status" className="text-sm text-muted">
        {sent.length === 0
          ? 'Nothing sent yet. Put the cursor into a field in another window first.'
          : `Sent: ${sent.join('; ')}`}
      </p>
    </div>
  );
}

interface CaliperSettingsProps {
  comma: boolean;
  setComma: Dispatch<SetStateAction<boolean>>;
  unit: '' | ' mm' | ' in';
  setUnit: Dispatch<SetStateAction<'' | ' mm' | ' in'>>;
}

/** How the caliper writes. */
function CaliperSettings({ comma, setComma, unit, setUnit }: CaliperSettingsProps) {
  return (
    <div className="flex flex-wrap gap-4">
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="size-5"
          checked={comma}
          onChange={(event) => setComma(event.target.checked)}
        />
        Decimal comma
      </label>
      <label className="flex min-h-11 items-center gap-2">
        Sends{' '}
        <select
          className="bench-input !w-32"
          value={unit}
          onChange={(event) => setUnit(event.target.value as typeof unit)}
        >
          <option value="">no unit</option>
          <option value=" mm">mm</option>
          <option value=" in">inches</option>
        </select>
      </label>
    </div>
  );
}
