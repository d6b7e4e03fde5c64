import type { ReportBody } from '@bluffwind/contract/report';
import { scaleLinear } from 'd3-scale';
import { curveMonotoneX, line } from 'd3-shape';

const [W, H, BASE] = [640, 170, 140];
/** Room for half a time at either end. */
const EDGE = 30;
const STEP_MS = 15 * 60_000;
const HOUR = 3_600_000;

type Day = Pick<ReportBody, 'fromMs' | 'toMs' | 'offsetMin' | 'tideM' | 'fish'>;

/** The day's tide as a line, with each fish on it at its time; without a tide, on a straight one. No height and no place is on it. */
export function TideLine({ page, time }: { page: Day; time: (ms: number) => string }) {
  const x = scaleLinear()
    .domain([page.fromMs, page.toMs])
    .range([EDGE, W - EDGE]);
  const y = scaleLinear()
    .domain([0, 1])
    .range([BASE - 12, 26]);
  const tide = page.tideM.length > 1;
  const heightAt = (ms: number) => {
    if (!tide) return 0.5;
    const at = Math.min(page.tideM.length - 1, Math.max(0, (ms - page.fromMs) / STEP_MS));
    const [a, b] = [page.tideM[Math.floor(at)] ?? 0, page.tideM[Math.ceil(at)] ?? 0];
    return a + (b - a) * (at % 1);
  };
  const shape = line<number>()
    .x((_, i) => x(page.fromMs + i * STEP_MS))
    .y((h) => y(h))
    .curve(curveMonotoneX);
  const first = Math.ceil((page.fromMs + page.offsetMin * 60_000) / HOUR) * HOUR - page.offsetMin * 60_000;
  const hours = Array.from({ length: Math.max(0, Math.floor((page.toMs - first) / HOUR) + 1) }, (_, i) => first + i * HOUR);
  const every = Math.max(1, Math.ceil(hours.length / 7));
  const biggest = Math.max(1, ...page.fish.map((f) => f.lengthMm ?? 0));
  const words = page.fish.map((f) => `${f.species} at ${time(f.atMs)}`).join(', ');
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={`${tide ? 'The tide through the day' : 'The day'}${words === '' ? '' : `, with ${words}`}`}
      className="w-full"
    >
      <line x1={EDGE} x2={W - EDGE} y1={BASE} y2={BASE} stroke="var(--ink-3)" />
      {hours.map((h, i) => (
        <g key={h}>
          <line x1={x(h)} x2={x(h)} y1={BASE} y2={BASE + 5} stroke="var(--ink-3)" />
          {i % every === 0 && (
            <text x={x(h)} y={BASE + 22} textAnchor="middle" fontSize={15} fill="var(--ink-2)" className="num">
              {time(h)}
            </text>
          )}
        </g>
      ))}
      <path d={(tide ? shape(page.tideM) : `M${EDGE} ${y(0.5)}H${W - EDGE}`) ?? ''} fill="none" stroke="var(--deep)" strokeWidth={3} />
      {page.fish.map((f, i) => (
        <circle
          // biome-ignore lint/suspicious/noArrayIndexKey: two fish of one minute are two dots
          key={`${f.atMs} ${i}`}
          cx={x(f.atMs)}
          cy={y(heightAt(f.atMs))}
          r={5 + 5 * ((f.lengthMm ?? 0) / biggest)}
          fill="var(--kelp)"
          stroke="var(--paper)"
          strokeWidth={1.5}
        />
      ))}
      <text x={EDGE} y={16} fontSize={14} fill="var(--ink-2)">
        {tide ? 'the tide, and each fish at its time; larger dots are larger fish' : 'each fish at its time; larger dots are larger fish'}
      </text>
    </svg>
  );
}
