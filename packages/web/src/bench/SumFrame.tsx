import type { ReactNode } from 'react';

interface SumFrameProps {
  readonly name: string;
  readonly what: string;
  readonly rules: readonly string[];
  readonly picture: ReactNode;
  /** Inputs and figures. */
  readonly children: ReactNode;
}

/** A sum's place: picture beside figures, or over them in the pocket. */
export function SumFrame({ name, what, rules, picture, children }: SumFrameProps) {
  return (
    <div className="min-h-0 min-w-0 flex-1 overflow-auto md:grid md:grid-cols-[1fr_300px] md:overflow-hidden" data-sum={name}>
      <section aria-label="Picture" tabIndex={0} className="min-h-0 min-w-0 md:overflow-auto">
        {picture}
      </section>
      <section aria-label="Figures" tabIndex={0} className="min-h-0 border-line px-[18px] py-3 md:overflow-auto md:border-l">
        <h2 className="font-bold">{name}</h2>
        <p className="mb-2 text-[0.9rem] text-ink-2">
          {what} {rules.length > 0 && <span className="num text-[0.8rem] text-ink-3">{rules.join(' ')}</span>}
        </p>
        {children}
      </section>
    </div>
  );
}
