import { useState } from 'react';
import type { SetPoints, Shape } from './useDrawing';

const FIELD = 'num w-[104px] rounded border border-[#5f7072] bg-[#fbf9f3] px-2 py-1';

/** Points by figures while a shape is drawn: for those who have a position and no pointer. */
export function TypedPoint({ shape, by }: { shape: Shape; by: SetPoints }) {
  const [lat, setLat] = useState('');
  const [lon, setLon] = useState('');
  const [fault, setFault] = useState('');
  const set = () => {
    const [y, x] = [lat, lon].map((t) => Number(t.trim().replace(',', '.')));
    if (lat.trim() === '' || lon.trim() === '' || y === undefined || x === undefined || !(Math.abs(y) <= 90) || !(Math.abs(x) <= 180))
      return setFault('Degrees with a fraction, such as 47.6123 and -35.2017.');
    setFault('');
    setLat('');
    setLon('');
    by.add(x, y);
  };
  return (
    <form
      className="chart-note no-print absolute bottom-12 left-4 flex max-w-[92%] flex-wrap items-center gap-2 rounded border border-[#10292e] bg-[#fbf9f3] px-3 py-1.5 text-[0.87rem] text-[#10292e]"
      onSubmit={(e) => {
        e.preventDefault();
        set();
      }}
    >
      <label>
        Latitude, ° <input className={FIELD} inputMode="decimal" value={lat} onChange={(e) => setLat(e.target.value)} />
      </label>
      <label>
        Longitude, ° <input className={FIELD} inputMode="decimal" value={lon} onChange={(e) => setLon(e.target.value)} />
      </label>
      <button type="submit" className="min-h-8 cursor-pointer font-semibold underline">
        Set
      </button>
      {shape !== 'point' && (
        <>
          <span className="num">{by.points.length} set</span>
          <button
            type="button"
            className="min-h-8 cursor-pointer underline disabled:opacity-50"
            disabled={by.points.length === 0}
            onClick={by.back}
          >
            Take one back
          </button>
          <button
            type="button"
            className="min-h-8 cursor-pointer font-semibold underline disabled:opacity-50"
            disabled={by.done === null}
            onClick={() => by.done?.()}
          >
            Done
          </button>
        </>
      )}
      {fault && (
        <span role="alert" className="basis-full text-[#a4451d]">
          {fault}
        </span>
      )}
    </form>
  );
}
