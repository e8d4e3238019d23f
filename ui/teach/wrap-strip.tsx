import type { WrapPicture } from '@/core/drawing/wrap-lesson';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';

/** Height of a moment of wrapping, px. */
const DRAWN = 190;

/** The wrap turn by turn, and its faults beside. */
export function WrapStrip({ pictures }: { pictures: readonly WrapPicture[] }) {
  return (
    <ol className="col-span-full grid grid-cols-2 gap-3 sm:grid-cols-4 lg:grid-cols-[repeat(auto-fit,minmax(8.2rem,1fr))]">
      {pictures.map(({ id, caption, drawing, wrong }) => (
        <li
          key={id}
          className={`flex flex-col bg-sheet p-2 ${wrong ? 'border-4 border-loud' : 'border border-line'}`}
          style={{ borderRadius: '2px 14px 2px 14px' }}
        >
          <UnionDrawing
            drawing={drawing}
            width={(drawing.width * DRAWN) / drawing.height}
            title={caption}
            className="mx-auto max-w-full"
          />
          <p className={`mt-1 text-sm ${wrong ? 'font-bold text-loud' : ''}`}>
            {wrong ? '✕ ' : ''}
            {caption}
          </p>
        </li>
      ))}
    </ol>
  );
}
