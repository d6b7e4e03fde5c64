import type { LogOrder } from '@bluffwind/contract/logOrders';
import type { OutfitView } from '@bluffwind/contract/outfit';
import { Choice } from '../ui/Choice';
import { Menu, MenuCheck } from '../ui/Menu';
import { Button } from '../ui/parts';
import { columnsOf } from './columns';
import { FixBait } from './FixBait';
import type { useLogPart } from './useLogPart';
import type { useMerge } from './useMerge';

/** What a phone can be put in order by; at the desk each column can. */
const POCKET_ORDERS = [
  { value: 'when down', name: 'newest first' },
  { value: 'when up', name: 'oldest first' },
  { value: 'fish down', name: 'most fish' },
  { value: 'largest down', name: 'largest fish' },
  { value: 'spot up', name: 'spot' },
  { value: 'bait up', name: 'bait' },
];

interface LogToolsProps {
  readonly part: ReturnType<typeof useLogPart>;
  /** Baits that entries may be put right with; null until they are there. */
  readonly baits: OutfitView['presentations'] | null;
  readonly chosen: ReadonlySet<string>;
  readonly merge: ReturnType<typeof useMerge>;
  readonly onDone: () => void;
}

/** In what order entries stand on a phone; at the desk which columns, and what is done with those that are chosen. */
export function LogTools({ part, baits, chosen, merge, onDone }: LogToolsProps) {
  const { order, dir, setOrder, setDir, hidden, setHidden } = part;
  return (
    <>
      <span className="md:hidden">
        <Choice
          label="In order of"
          labelled="hidden"
          value={`${order} ${dir}`}
          options={POCKET_ORDERS}
          onPick={(v) => {
            const [by, way] = v.split(' ') as [LogOrder, string];
            setOrder(by);
            setDir(way);
          }}
        />
      </span>
      <span className="ml-auto flex items-center gap-2 max-md:hidden">
        {chosen.size > 1 && (
          <Button disabled={merge.busy} onClick={() => merge.save({ setIds: [...chosen] })}>
            One fishing: make these one
          </Button>
        )}
        {chosen.size > 0 && baits && <FixBait chosen={chosen} baits={baits} onDone={onDone} />}
        <Menu name="Columns">
          {columnsOf('UTC').map(({ id, header }) =>
            id === 'when' ? null : (
              <MenuCheck
                key={id}
                on={!hidden.has(id ?? '')}
                onChange={(on) =>
                  setHidden(
                    [...hidden]
                      .filter((h) => h !== id)
                      .concat(on ? [] : [id ?? ''])
                      .join('.'),
                  )
                }
              >
                {String(header)}
              </MenuCheck>
            ),
          )}
        </Menu>
      </span>
    </>
  );
}
