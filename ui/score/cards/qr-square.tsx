import { COLOURS } from '@/core/drawing/colours';
import QRCode from 'qrcode';

/** A QR code as squares, with the white border readers need. */
export function QrSquare({ text, title }: { text: string; title: string }) {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' });
  const side = modules.size;
  let path = '';
  for (let row = 0; row < side; row++)
    for (let column = 0; column < side; column++)
      if (modules.get(row, column)) path += `M${column + 4} ${row + 4}h1v1h-1z`;
  return (
    <svg
      role="img"
      aria-label={title}
      viewBox={`0 0 ${side + 8} ${side + 8}`}
      className="w-full max-w-80 self-center bg-white"
      shapeRendering="crispEdges"
    >
      <path d={path} fill={COLOURS.black} />
    </svg>
  );
}
