'use client';

import { QrCode } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import type { CardUnion } from '@/core/score/cards/person-card';
import { Problem } from '@/ui/kit/form/problem';
import { send } from '@/ui/kit/form/send';
import { SheetDialog } from '@/ui/kit/form/sheet-dialog';
import { scoreText } from '../bench/bench-data';
import { UnionGlyph } from '@/ui/kit/union/union-glyph';

const QrSquare = lazy(() => import('./qr-square').then((part) => ({ default: part.QrSquare })));

interface CardLine {
  seatId: string;
  seat: number;
  name: string;
  unions: CardUnion[];
  train: string[];
  keepers: number;
  ready: boolean;
}

/** Everybody's card in a line, to print or to hand over as a link. */
export function CardList({ workshopId, mayLink, cards }: { workshopId: string; mayLink: boolean; cards: CardLine[] }) {
  const [shown, setShown] = useState<{ name: string; url: string } | null>(null);
  const [problem, setProblem] = useState('');
  const [busy, setBusy] = useState(false);
  const link = async ({ seatId, name }: CardLine): Promise<void> => {
    if (busy) return;
    setBusy(true);
    const sent = await send<{ url: string }>('POST', `/api/workshops/${workshopId}/cards/${seatId}/link`);
    setBusy(false);
    if (!sent.ok) return setProblem(sent.message);
    setProblem('');
    setShown({ name, url: sent.data.url });
  };
  return (
    <>
      <Problem>{problem || null}</Problem>
      <ul className="divide-y divide-line border-y border-line">
        {cards.map((card) => (
          <CardRow key={card.seatId} card={card} workshopId={workshopId} mayLink={mayLink} busy={busy} link={link} />
        ))}
      </ul>
      {shown && (
        <SheetDialog
          title={`${shown.name}’s card`}
          description="For their own phone, without an account. Whoever has the link sees this card and nothing else; it is shown here once."
          open
          onOpenChange={() => setShown(null)}
        >
          <Suspense fallback={null}>
            <QrSquare text={shown.url} title={`QR code of the link to ${shown.name}’s card`} />
          </Suspense>
          <a href={shown.url} target="_blank" rel="noreferrer" className="break-all">
            {shown.url}
          </a>
        </SheetDialog>
      )}
    </>
  );
}

interface CardRowProps {
  card: CardLine;
  workshopId: string;
  mayLink: boolean;
  busy: boolean;
  link: ({ seatId, name }: CardLine) => Promise<void>;
}

/** One person's card. */
function CardRow({ card, workshopId, mayLink, busy, link }: CardRowProps) {
  return (
    <li className="grid grid-cols-[2.2rem_minmax(0,1fr)] items-center gap-x-3 gap-y-1 py-2 sm:grid-cols-[2.2rem_11rem_minmax(0,1fr)_auto]">
      <span className="text-xl font-bold">{card.seat}</span>
      <span>
        <span className="block font-bold">{card.name}</span>
        <span className="text-sm text-muted">
          {card.keepers === 0 ? 'nothing goes home yet' : `${card.keepers} to take home`}
        </span>
      </span>
      <span className="col-span-2 sm:col-span-1">
        <span className="flex flex-wrap gap-x-2">
          {card.unions.length === 0 ? (
            <span className="text-muted">no union scored</span>
          ) : (
            card.unions.map((union) => (
              <span key={union.number} className="flex items-center gap-0.5">
                <UnionGlyph {...union.glyph} size={20} title={`Attempt ${union.number}: ${union.words}`} />
                <span className="text-sm">{scoreText(union.score)}</span>
              </span>
            ))
          )}
        </span>
        {card.train.length > 0 && <span className="block text-sm">To train: {card.train.join(', ')}</span>}
      </span>
      <span className="col-span-2 flex gap-2 sm:col-span-1">
        <a
          className="bench-button px-3"
          href={`/api/workshops/${workshopId}/cards?paper=A4&seat=${card.seatId}`}
          target="_blank"
          rel="noreferrer"
        >
          PDF<span className="sr-only"> of {card.name}&apos;s card</span>
        </a>
        {mayLink && (
          <button type="button" className="bench-button px-3" disabled={busy} onClick={() => void link(card)}>
            <QrCode aria-hidden className="size-5" />
            Phone<span className="sr-only">: link to {card.name}&apos;s card</span>
          </button>
        )}
      </span>
    </li>
  );
}
