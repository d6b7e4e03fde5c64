import { type ReactNode, useEffect } from 'react';

/** A deck button: a thumb's size, room for two lines. */
export const BIG = 'min-h-[58px] cursor-pointer rounded border px-2 font-semibold text-[1rem] leading-tight';

/** The phone's page: what it is about and the time above, the buttons below. */
export function Frame({ title, right, children }: { title: string; right: string; children: ReactNode }) {
  useEffect(() => {
    document.title = `${title} · Bluffwind`;
  }, [title]);
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <div className="mx-auto flex min-h-full max-w-[480px] flex-col bg-chalk px-4 pb-4 text-[18px]">
        <div className="-mx-4 mb-3 flex items-center justify-between border-b border-line px-4 py-3 text-[0.9rem] text-ink-2">
          <span>{title}</span>
          <span className="num">{right}</span>
        </div>
        {children}
      </div>
    </div>
  );
}
