import { ScorePages } from '@/ui/score/score-pages';

export default async function ScoreLayout({
  children,
  params,
}: {
  children: React.ReactNode;
  params: Promise<{ workshop: string }>;
}) {
  return (
    <>
      <ScorePages workshopId={(await params).workshop} />
      {children}
    </>
  );
}
