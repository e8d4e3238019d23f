import { AnswersPages } from '@/ui/follow-up/entering/answers-pages';

export default function AnswersLayout({ children }: { children: React.ReactNode }) {
  return (
    <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
      <h1 className="mb-2">Answers</h1>
      <AnswersPages />
      {children}
    </main>
  );
}
