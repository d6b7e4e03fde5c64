import type { ImportView } from '@bluffwind/contract/imports';
import type { ReactNode } from 'react';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { ImportList } from './ImportList';

interface ImportFrameProps {
  readonly title: string;
  readonly note: string;
  readonly children: ReactNode;
  /** Why it could not be read or stored; null while nothing is wrong. */
  readonly error: unknown;
  /** What is done with it besides, before it is stored. */
  readonly also?: ReactNode;
  readonly store: { readonly words: string; readonly ready: boolean; readonly onStore: () => void };
  /** What came in before is listed under it; null before a water is chosen. */
  readonly before: { readonly waterId: string; readonly zone: string; readonly kind: ImportView['kind'] } | null;
  readonly onClose: () => void;
}

/** The sheet in which something out of a file is looked at, stored whole or not at all, and what came in before taken out again. */
export function ImportFrame({ title, note, children, error, also, store, before, onClose }: ImportFrameProps) {
  return (
    <Sheet open wide title={title} note={note} onClose={onClose}>
      <div className="flex flex-col gap-3">
        {children}
        {error !== null && <Fault error={error} />}
        <div className="flex flex-wrap justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          {also}
          <Button strong disabled={!store.ready} onClick={store.onStore}>
            {store.words}
          </Button>
        </div>
        {before && <ImportList waterId={before.waterId} zone={before.zone} kinds={[before.kind]} />}
      </div>
    </Sheet>
  );
}
