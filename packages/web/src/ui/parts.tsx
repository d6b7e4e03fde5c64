import { type ButtonHTMLAttributes, type ReactNode, useEffect } from 'react';
import { ApiProblem, Offline } from '../data/api';

/** A button. Strong is for the one thing that a screen is about. */
export function Button({
  strong,
  hint,
  className = '',
  children,
  ...rest
}: { strong?: boolean; hint?: string } & ButtonHTMLAttributes<HTMLButtonElement>) {
  const look = strong ? 'bg-kelp text-on-kelp border-kelp' : 'bg-transparent text-ink border-ink';
  return (
    <button
      type="button"
      className={`inline-flex items-center justify-center gap-2 rounded border px-3 py-1.5 font-semibold whitespace-nowrap max-md:min-h-10 disabled:opacity-50 cursor-pointer ${look} ${className}`}
      {...rest}
    >
      {children}
      {hint && (
        <kbd
          className={`num rounded border px-1 text-xs font-normal max-md:hidden ${strong ? 'border-on-kelp/60' : 'border-line text-ink-2'}`}
        >
          {hint}
        </kbd>
      )}
    </button>
  );
}

/** Header of a screen: what it is, what stands beside it, what can be done. */
export function Header({ title, note, children }: { title: string; note?: ReactNode; children?: ReactNode }) {
  useEffect(() => {
    document.title = `${title} · Bluffwind`;
  }, [title]);
  return (
    <header className="flex min-h-[50px] shrink-0 flex-wrap items-center gap-x-4 border-b border-line px-3 pt-1 md:h-[54px] md:flex-nowrap md:px-[18px] md:py-0">
      <div className={`min-w-0 flex-1 md:contents ${children ? 'max-md:basis-full' : ''}`}>
        <h1 className="truncate text-[1.13rem] font-bold md:text-[1.2rem] md:whitespace-nowrap">{title}</h1>
        <div className="min-w-0 text-[0.87rem] text-ink-2 md:flex-1 md:truncate md:text-[1rem]">{note}</div>
      </div>
      {children && <div className="no-print flex max-w-full items-center gap-2 max-md:overflow-x-auto max-md:pb-1.5">{children}</div>}
    </header>
  );
}

/** What went wrong and what to do. */
export function Fault({ error, retry }: { error: unknown; retry?: () => void }) {
  const problem = error instanceof ApiProblem ? error.body : null;
  return (
    <div role="alert" className="m-4 max-w-prose border-l-4 border-rust bg-rust-pale px-4 py-3">
      <p className="font-semibold">
        {problem?.detail ?? (error instanceof Error && !(error instanceof TypeError) ? error.message : 'Something failed.')}
      </p>
      <p className="text-ink-2">
        {problem?.remedy ?? (error instanceof Offline ? 'Check the connection; nothing that was shown as saved is lost.' : 'Try again.')}
      </p>
      {retry && (
        <Button
          className="mt-2"
          onClick={(e) => {
            // The button goes with what went wrong: its screen or dialog takes the focus, so that keys go on from there.
            e.currentTarget.closest<HTMLElement>('[role=dialog], main')?.focus();
            retry();
          }}
        >
          Try again
        </Button>
      )}
    </div>
  );
}

/** Shown while something is on its way: what, over the outline of what comes. Quick answers show nothing of it. */
export function Waiting({ what }: { what: string }) {
  return (
    <div role="status" className="waiting flex-1 p-4 text-ink-2">
      <p>{what} ...</p>
      <div aria-hidden="true" className="mt-3 flex max-w-[560px] flex-col gap-2.5">
        {[92, 70, 84, 58, 76].map((width) => (
          <span key={width} className="h-4 rounded bg-line" style={{ width: `${width}%` }} />
        ))}
      </div>
    </div>
  );
}

/** A range as a sand bar with the expected value as an ink stroke, or what happened as a dot. */
export function RangeBar({
  lo,
  mid,
  hi,
  max,
  dot,
  width = 150,
  label,
}: {
  lo: number;
  mid?: number;
  hi: number;
  max: number;
  dot?: number;
  width?: number;
  label: string;
}) {
  const x = (v: number) => 5 + (Math.min(v, max) / max) * (width - 10);
  return (
    <svg width={width} height={18} role="img" aria-label={label}>
      <rect x={x(lo)} y={3} width={Math.max(2, x(hi) - x(lo))} height={8} fill="var(--sand-2)" />
      <line x1={5} x2={width - 5} y1={14.5} y2={14.5} stroke="var(--sand-2)" />
      {[0, 0.5, 1].map((s) => (
        <line key={s} x1={5 + s * (width - 10)} x2={5 + s * (width - 10)} y1={12} y2={17} stroke="var(--sand-2)" />
      ))}
      {mid !== undefined && <line x1={x(mid)} x2={x(mid)} y1={0} y2={14} stroke="var(--ink)" strokeWidth={2.5} />}
      {dot !== undefined && <circle cx={x(dot)} cy={7} r={4.5} fill="var(--ink)" />}
    </svg>
  );
}
