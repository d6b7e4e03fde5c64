import { Button, Fault } from '../ui/parts';

/** The end of a sheet's form: what was refused, and storing or leaving it. */
export function SheetFoot({ error, onClose }: { error: unknown; onClose: () => void }) {
  return (
    <>
      {error !== null && (
        <div className="col-span-4">
          <Fault error={error} />
        </div>
      )}
      <div className="col-span-4 flex justify-end gap-2">
        <Button onClick={onClose}>Leave it</Button>
        <Button strong type="submit">
          Store
        </Button>
      </div>
    </>
  );
}
