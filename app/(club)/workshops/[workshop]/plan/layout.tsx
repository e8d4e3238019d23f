import { PlanPages } from '@/ui/plan/plan-pages';

export default async function PlanLayout({
  children,
  params,
}: {
  children: React.ReactNode;
  params: Promise<{ workshop: string }>;
}) {
  const { workshop } = await params;
  return (
    <>
      <PlanPages workshopId={workshop} />
      {children}
    </>
  );
}
