import { lazy, Suspense } from 'react';
import { Link, useSearchParams } from 'react-router';
import { Choice } from '../ui/Choice';
import { Header, Waiting } from '../ui/parts';
import { usePocket } from '../ui/usePocket';
import { FigureSum } from './FigureSum';
import { SUM_NAMES } from './sumNames';
import { SUMS } from './sums';

// What asks the server has its own code.
const OWN: Readonly<Record<string, React.LazyExoticComponent<() => React.JSX.Element>>> = {
  countdown: lazy(() => import('./CountDown')),
  boards: lazy(() => import('./Boards')),
  leader: lazy(() => import('./Leader')),
  mix: lazy(() => import('./BaitMix')),
  campaign: lazy(() => import('./Campaign')),
};

/** Every sum of the trade, free of a trip. */
export default function Bench() {
  const [params, setParams] = useSearchParams();
  const pocket = usePocket();
  const key = SUM_NAMES.some(([k]) => k === params.get('sum')) ? (params.get('sum') as string) : 'sink';
  const sum = SUMS.find((s) => s.key === key);
  const Own = OWN[key];
  return (
    <>
      <Header title="Bench" note={SUM_NAMES.find(([k]) => k === key)?.[1]} />
      {pocket && (
        <div className="px-3 py-2">
          <Choice
            label="Sum"
            value={key}
            options={SUM_NAMES.map(([value, name]) => ({ value, name }))}
            onPick={(k) => setParams({ sum: k })}
          />
        </div>
      )}
      <div className="flex min-h-0 flex-1">
        {!pocket && (
          <nav aria-label="Sums" className="w-[220px] shrink-0 overflow-auto border-r border-line py-2">
            <ul>
              {SUM_NAMES.map(([k, name]) => (
                <li key={k}>
                  <Link
                    to={`/bench?sum=${k}`}
                    aria-current={k === key ? 'page' : undefined}
                    className={`block border-l-4 px-4 py-1.5 no-underline ${k === key ? 'border-kelp bg-paper font-semibold' : 'border-transparent'}`}
                  >
                    {name}
                  </Link>
                </li>
              ))}
            </ul>
          </nav>
        )}
        {sum ? <FigureSum key={key} sum={sum} /> : <Suspense fallback={<Waiting what="Opening the sum" />}>{Own && <Own />}</Suspense>}
      </div>
    </>
  );
}
