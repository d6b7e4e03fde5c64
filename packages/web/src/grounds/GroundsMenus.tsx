import type { FeatureView } from '@bluffwind/contract/grounds';
import type { Shape } from '../chart/useDrawing';
import { Menu, MenuItem } from '../ui/Menu';

/** The chart follows its new size within some frames. */
const PRINT_DRAWN_MS = 900;

/** What is drawn next on the chart. */
export interface Drawing {
  readonly what: 'spot' | 'land' | 'water' | FeatureView['kind'];
  readonly shape: Shape;
}

const DRAWINGS: readonly (readonly [string, Drawing])[] = [
  ['A spot, one point', { what: 'spot', shape: 'point' }],
  ['A spot along a line', { what: 'spot', shape: 'line' }],
  ['A spot that is an area', { what: 'spot', shape: 'area' }],
  ['A part of the water', { what: 'part', shape: 'area' }],
  ['A place to keep out of', { what: 'no-go', shape: 'area' }],
  ['Slow water', { what: 'no-wake', shape: 'area' }],
  ['A passage', { what: 'passage', shape: 'line' }],
  ['A track', { what: 'track', shape: 'line' }],
  ['Land, to the shore', { what: 'land', shape: 'area' }],
  ['The water’s edge, of a lake', { what: 'water', shape: 'area' }],
];

interface Props {
  readonly mayEdit: boolean;
  readonly onDraw: (drawing: Drawing) => void;
  readonly onOpen: (what: 'spots' | 'soundings' | 'export' | 'pictures') => void;
}

/** What can be drawn, and files in and out. */
export function GroundsMenus({ mayEdit, onDraw, onOpen }: Props) {
  return (
    <>
      {mayEdit && (
        <Menu name="Draw">
          {DRAWINGS.map(([name, drawing]) => (
            <MenuItem key={name} onSelect={() => onDraw(drawing)}>
              {name}
            </MenuItem>
          ))}
        </Menu>
      )}
      <Menu name="Files">
        {mayEdit && <MenuItem onSelect={() => onOpen('spots')}>Import spots: GPX, KML, GeoJSON</MenuItem>}
        {mayEdit && <MenuItem onSelect={() => onOpen('soundings')}>Import soundings: CSV, NMEA</MenuItem>}
        <MenuItem onSelect={() => onOpen('pictures')}>Pictures from the air</MenuItem>
        <MenuItem onSelect={() => onOpen('export')}>Export spots</MenuItem>
        <MenuItem onSelect={printChart}>Print the chart</MenuItem>
      </Menu>
    </>
  );
}

/** Gives the chart the whole sheet, waits until it is drawn so, and prints it. */
function printChart() {
  document.documentElement.dataset.printing = '';
  setTimeout(() => {
    window.print();
    delete document.documentElement.dataset.printing;
  }, PRINT_DRAWN_MS);
}
