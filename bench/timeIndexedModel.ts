import type { ItineraryProblem } from '@bluffwind/core/itinerary/problem';

/** The same problem as a mixed integer program: one binary for each stay, flow over (place, step). */
export function timeIndexedModel(p: ItineraryProblem): string {
  const objective: string[] = [];
  const flow = new Map<string, string[]>();
  const once = new Map<number, string[]>();
  const binaries: string[] = [];
  const term = (node: string, text: string) => flow.set(node, [...(flow.get(node) ?? []), text]);
  const out: string[] = [];
  const variable = (name: string, from: string | null, to: string | null, value: number) => {
    binaries.push(name);
    if (value !== 0) objective.push(`${value >= 0 ? '+' : '-'} ${Math.abs(value).toFixed(9)} ${name}`);
    if (from) term(from, `+ ${name}`);
    else out.push(name);
    if (to) term(to, `- ${name}`);
  };
  const dt = p.stepMin / 60;
  p.spots.forEach((spot, s) => {
    const open = spot.open ?? [[0, p.steps]];
    const first = p.dockTravelSteps[s] as number;
    variable(`go_${s}`, null, `a_${s}_${first}`, 0);
    for (let t = 0; t <= p.steps; t++) {
      if (t < p.steps) variable(`w_${s}_${t}`, `a_${s}_${t}`, `a_${s}_${t + 1}`, 0);
      if (t + first <= p.steps) variable(`home_${s}_${t}`, `d_${s}_${t}`, null as never, 0);
      p.spots.forEach((_, q) => {
        const at = t + (p.travelSteps[s]?.[q] as number);
        if (q !== s && at <= p.steps) variable(`m_${s}_${q}_${t}`, `d_${s}_${t}`, `a_${q}_${at}`, 0);
      });
      let sum = 0;
      const window = open.find(([a, b]) => t >= a && t < b);
      for (let d = t + 1; window && d <= Math.min(p.steps, window[1]); d++) {
        sum += (spot.ratePerHour[d - 1] as number) * dt * Math.exp(-spot.fadePerHour * (d - 1 - t) * dt);
        if (d - t < p.minStaySteps) continue;
        variable(`f_${s}_${t}_${d}`, `a_${s}_${t}`, `d_${s}_${d}`, sum);
        once.set(s, [...(once.get(s) ?? []), `f_${s}_${t}_${d}`]);
      }
    }
  });
  const rows = [...flow].map(([node, terms]) => ` ${node}: ${terms.join(' ')} = 0`);
  const start = ` start: ${out
    .filter((n) => n.startsWith('go_'))
    .map((n) => `+ ${n}`)
    .join(' ')} <= 1`;
  const visits = [...once].map(([s, names]) => ` once_${s}: ${names.map((n) => `+ ${n}`).join(' ')} <= 1`);
  return `Maximize\n obj: ${objective.join(' ')}\nSubject To\n${[start, ...rows, ...visits].join('\n')}\nBinary\n ${binaries.join('\n ')}\nEnd\n`;
}
