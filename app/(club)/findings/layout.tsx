import { FindingsPages } from '@/ui/findings/findings-pages';

export default function ClubFindingsLayout({ children }: { children: React.ReactNode }) {
  return (
    <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
      <FindingsPages workshopId={null} />
      {children}
    </main>
  );
}
