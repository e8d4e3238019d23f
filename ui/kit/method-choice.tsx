import Link from 'next/link';

interface MethodChoiceProps {
  /** Where the page is, without its query. */
  path: string;
  methods: readonly { id: string; name: string }[];
  chosen: string;
  /** What else stands in the address and stays. */
  keep?: Record<string, string>;
}

/** Which of a day's methods a page is about; nothing where the day has one. */
export function MethodChoice({ path, methods, chosen, keep = {} }: MethodChoiceProps) {
  if (methods.length < 2) return null;
  return (
    <nav aria-label="Method" className="mb-3">
      <ul className="flex flex-wrap gap-1">
        {methods.map(({ id, name }) => (
          <li key={id}>
            <Link
              href={`${path}?${new URLSearchParams({ ...keep, method: id })}`}
              aria-current={id === chosen ? 'page' : undefined}
              className={`flex min-h-11 items-center border-2 px-3 no-underline ${id === chosen ? 'border-ink bg-ink font-bold text-paper' : 'border-line bg-sheet'}`}
            >
              {name}
            </Link>
          </li>
        ))}
      </ul>
    </nav>
  );
}
