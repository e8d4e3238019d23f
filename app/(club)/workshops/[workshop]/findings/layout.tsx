import { FindingsPages } from '@/ui/findings/findings-pages';

export default async function FindingsLayout({
  children,
  params,
}: {
  children: React.ReactNode;
  params: Promise<{ workshop: string }>;
}) {
  return (
    <>
      <FindingsPages workshopId={(await params).workshop} />
      {children}
    </>
  );
}
