// Colours and figures of the chart; it looks the same in all themes, as paper does.
import { Fill, Stroke, Style, Text } from 'ol/style';

export const FONT = '"Atkinson Hyperlegible Next Variable", sans-serif';
export const INK = '#10292e';
export const KELP = '#2f6b3c';
export const RUST = '#a4451d';
export const PAPER = '#fbf9f3';

/** Depth bands: from this depth on, m, and its colour. */
export const BANDS = [
  [2, '#d3e1e3'],
  [5, '#b8d0d5'],
  [10, '#95b7c0'],
  [15, '#6b97a4'],
  [25, '#3f7080'],
] as const;

interface LabelOptions {
  readonly offsetX?: number;
  readonly offsetY?: number;
  readonly textAlign?: CanvasTextAlign;
  readonly bold?: boolean;
  readonly color?: string;
  readonly size?: number;
  /** Drawn even when it is wider than the area it names. */
  readonly overflow?: boolean;
}

/** Text with a halo of paper. */
export function label(
  text: string,
  { offsetX = 0, offsetY = 0, textAlign = 'center', bold = false, color = INK, size = 13, overflow = false }: LabelOptions = {},
): Text {
  return new Text({
    text,
    font: `${bold ? 700 : 500} ${size}px ${FONT}`,
    offsetX,
    offsetY,
    textAlign,
    overflow,
    fill: new Fill({ color }),
    stroke: new Stroke({ color: 'rgba(251,249,243,0.92)', width: 3.5 }),
  });
}

function pattern(size: number, draw: (g: CanvasRenderingContext2D) => void): CanvasPattern | string {
  const canvas = document.createElement('canvas');
  canvas.width = size;
  canvas.height = size;
  const g = canvas.getContext('2d');
  if (!g) return 'rgba(0,0,0,0)';
  draw(g);
  return g.createPattern(canvas, 'repeat') ?? 'rgba(0,0,0,0)';
}

/** Slanting strokes of a colour, leaning to the right or the left. */
export const hatch = (color: string, left = false) =>
  pattern(8, (g) => {
    g.strokeStyle = color;
    g.lineWidth = 1;
    g.beginPath();
    for (const o of [-8, 0, 8]) {
      g.moveTo(o, left ? 0 : 8);
      g.lineTo(o + 8, left ? 8 : 0);
    }
    g.stroke();
  });

/** Dots far apart: water that nobody has sounded. */
export const dots = () =>
  pattern(16, (g) => {
    g.fillStyle = 'rgba(31,74,89,0.45)';
    g.fillRect(3, 3, 1.6, 1.6);
    g.fillRect(11, 11, 1.6, 1.6);
  });

/** Small tufts: weed. */
export const stipple = () =>
  pattern(9, (g) => {
    g.strokeStyle = 'rgba(47,107,60,0.8)';
    g.beginPath();
    g.moveTo(3, 7);
    g.lineTo(4.5, 2);
    g.lineTo(6, 7);
    g.stroke();
  });

const outline = (color: string, width: number, lineDash?: number[]) => new Stroke({ color, width, ...(lineDash ? { lineDash } : {}) });

/** How what the crew draws looks, by kind: a shape or a word beside every colour. */
export function featureStyle(kind: 'part' | 'no-go' | 'no-wake' | 'track' | 'passage', name: string, writtenOff: boolean): Style[] {
  switch (kind) {
    case 'no-go':
      return [
        new Style({
          fill: new Fill({ color: hatch('rgba(164,69,29,0.75)', true) }),
          stroke: outline(RUST, 1.6),
          text: label(`${name}: keep out`, { color: RUST, size: 12, overflow: true }),
        }),
      ];
    case 'no-wake':
      return [
        new Style({
          fill: new Fill({ color: 'rgba(205,191,155,0.22)' }),
          stroke: outline('#8d7a4d', 1.3, [7, 4]),
          text: label(name, { color: '#5d4f2c', size: 12, overflow: true }),
        }),
      ];
    case 'part':
      return [
        new Style({
          fill: new Fill({ color: writtenOff ? 'rgba(16,41,46,0.16)' : 'rgba(0,0,0,0.01)' }),
          stroke: outline(INK, 1.1, [2, 4]),
          text: label(writtenOff ? `${name}\nwritten off` : name, { size: 12, color: '#45595c', overflow: true }),
        }),
      ];
    case 'track':
      return [new Style({ stroke: outline('rgba(16,41,46,0.75)', 1.5, [1, 5]) })];
    case 'passage':
      return [
        new Style({ stroke: outline(PAPER, 4) }),
        new Style({ stroke: outline(INK, 1.6, [10, 4]), text: label(name, { size: 12, offsetY: -10 }) }),
      ];
  }
}
