import { Copy, Printer } from 'lucide-react';
import { toast } from 'sonner';
import { Button } from '../ui/parts';
import { Sheet } from '../ui/Sheet';

/** Codes to write down, shown this once. */
export function WrittenCodes({ codes, onClose }: { codes: readonly string[]; onClose: () => void }) {
  const copy = () =>
    navigator.clipboard.writeText(codes.join('\n')).then(
      () => toast('The codes are copied.'),
      () => toast('They could not be copied; write them down.'),
    );
  return (
    <Sheet
      open={codes.length > 0}
      title="Write these down"
      note="For the day your phone goes overboard. Each lets you in once in place of the six figures. They are shown only now."
      onClose={onClose}
    >
      <ol className="grid grid-cols-2 gap-x-6 gap-y-1 font-mono" aria-label="Codes">
        {codes.map((code) => (
          <li key={code} data-code>
            {code}
          </li>
        ))}
      </ol>
      <div className="mt-4 flex flex-wrap justify-end gap-2">
        <Button onClick={() => window.print()}>
          <Printer size={15} aria-hidden="true" /> Print
        </Button>
        <Button onClick={() => void copy()}>
          <Copy size={15} aria-hidden="true" /> Copy
        </Button>
        <Button strong onClick={onClose}>
          I have them
        </Button>
      </div>
    </Sheet>
  );
}
