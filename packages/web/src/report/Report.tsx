// The page that a guest keeps of his day: opened by its address alone, on any screen, and made to be printed.
import type { ReportBody } from '@bluffwind/contract/report';
import { clockWords, dateWords, measured, METRIC } from '@bluffwind/core/units/measure';
import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useEffect } from 'react';
import { useParams } from 'react-router';
import { get } from '../data/api';
import { Button, Fault, Waiting } from '../ui/parts';
import { TideLine } from './TideLine';

/** Photos by their place in the page; who has its address needs no more. */
type Page = Omit<ReportBody, 'photos'> & { readonly photos: readonly number[] };

export default function Report() {
  const { token = '' } = useParams();
  const page = useQuery({ queryKey: ['guests page', token], queryFn: () => get<Page>(`/reports/${token}`), retry: false, gcTime: 0 });
  if (page.isError)
    return (
      <main className="mx-auto max-w-[720px]">
        <h1 className="mx-4 mt-8 text-[1.7rem] leading-tight font-bold">Your day on the water</h1>
        <Fault error={page.error} retry={() => page.refetch()} />
      </main>
    );
  if (!page.data) return <Waiting what="Opening your day" />;
  return <Day page={page.data} at={`/api/reports/${token}`} />;
}

/** One tall page: photos large, the day's tide as a line with the fish on it by time, a word from the captain. */
function Day({ page, at }: { page: Page; at: string }) {
  const photo = (n: number) => `${at}/photos/${n}`;
  const from = page.look?.name || page.outfit;
  const units = page.units ?? METRIC;
  const day = dateWords(page.date, units);
  const size = (mm: number) => measured(mm, 'fish', units, 0);
  useEffect(() => {
    document.title = `Your day on ${day} · ${from}`;
  }, [day, from]);
  const landed = page.tally.reduce((n, t) => n + t.landed, 0);
  const [first, ...rest] = page.photos;
  const best = [...page.fish].filter((f) => f.lengthMm !== null).sort((a, b) => (b.lengthMm ?? 0) - (a.lengthMm ?? 0))[0];
  const time = (ms: number) => clockWords(new Date(ms + page.offsetMin * 60_000).toISOString().slice(11, 16), units);
  return (
    <div className="h-dvh overflow-auto print:h-auto">
      <main className="mx-auto max-w-[720px] bg-paper px-5 py-8 text-[1.07rem] md:px-10">
        {page.look?.logo && <img src={`${at}/logo`} alt={from} className="mb-2 max-h-16 max-w-[220px] rounded" data-logo />}
        <p className="text-ink-2">{from}</p>
        {page.look && <div aria-hidden className="mt-1 mb-3 h-1.5 rounded-full" style={{ background: page.look.colour }} data-colour />}
        <h1 className="text-[1.9rem] leading-tight font-bold">Your day on {day}</h1>
        <p className="text-ink-2">
          {page.boat}, {page.captain}, <span className="num">{time(page.fromMs)}</span> to <span className="num">{time(page.toMs)}</span>
        </p>
        {first !== undefined && <img src={photo(first)} alt="From your day, number 1" className="mt-5 w-full rounded" data-photo />}
        <div className="mt-5 whitespace-pre-line">{page.text}</div>
        <Part title={landed === 0 ? 'What was fished' : `${landed} fish to hand`}>
          {page.tally.length === 0 && <p className="text-ink-2">None came to hand.</p>}
          <ul>
            {page.tally.map((t) => (
              <li key={t.species} className="flex items-baseline justify-between border-t border-line py-1.5">
                <span>
                  {t.landed} {t.species}
                  <span className="text-ink-2">
                    {t.kept === 0 ? ', all released' : t.kept === t.landed ? ', kept' : `, ${t.kept} kept`}
                  </span>
                </span>
                {t.bestMm !== null && <span className="num">best {size(t.bestMm)}</span>}
              </li>
            ))}
          </ul>
          {best && best.lengthMm !== null && (
            <p className="mt-2">
              Best of the day: {best.angler ? `${best.angler}’s ` : 'a '}
              {best.species} of <b className="num">{size(best.lengthMm)}</b> at <span className="num">{time(best.atMs)}</span>.
            </p>
          )}
        </Part>
        {(page.tideM.length > 1 || page.fish.length > 0) && (
          <Part title="When they came">
            <TideLine page={page} time={time} />
          </Part>
        )}
        {page.weather !== '' && (
          <Part title="The water that day">
            <p>{page.weather}</p>
          </Part>
        )}
        {page.learned !== '' && (
          <Part title="What you learned">
            <p className="whitespace-pre-line">{page.learned}</p>
          </Part>
        )}
        {rest.map((n, i) => (
          <img
            key={n}
            src={photo(n)}
            alt={`From your day, number ${i + 2}`}
            className="mt-5 w-full break-inside-avoid rounded"
            data-photo
          />
        ))}
        {page.look && page.look.words !== '' && <p className="mt-6 border-t border-line pt-3 whitespace-pre-line">{page.look.words}</p>}
        <p className="no-print mt-6">
          <Button onClick={() => window.print()}>Print it</Button>{' '}
          <a href={`${at}/pdf`} download className="inline-block rounded border border-ink px-3 py-1.5 font-semibold max-md:min-h-10">
            Keep it as PDF
          </a>
        </p>
      </main>
    </div>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mt-6 break-inside-avoid">
      <h2 className="mb-1 text-[1.2rem] font-bold">{title}</h2>
      {children}
    </section>
  );
}
