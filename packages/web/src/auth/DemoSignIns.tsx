import type { DemoAccess } from '@bluffwind/contract/auth';

interface DemoProps {
  readonly demo: DemoAccess;
  readonly onChoose: (email: string, password: string) => void;
}

/** Who one may be in the demo. */
export function DemoSignIns({ demo, onChoose }: DemoProps) {
  return (
    <section className="self-center border-l border-line pl-8" aria-label="Demo sign-ins">
      <h2 className="font-bold">This is the demo</h2>
      <p className="mb-3 text-ink-2">An invented crew on an invented water. Choose who to be; the password is filled in.</p>
      <ul>
        {demo.signIns.map((s) => (
          <li key={s.email} className="border-t border-line">
            <button
              type="button"
              className="flex w-full cursor-pointer justify-between gap-4 py-2 text-left hover:text-kelp"
              onClick={() => onChoose(s.email, demo.password)}
            >
              <span>
                <b>{s.name}</b>
                <br />
                <span className="text-ink-2">{s.outfit}</span>
              </span>
              <span className="text-ink-2">{s.role}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
