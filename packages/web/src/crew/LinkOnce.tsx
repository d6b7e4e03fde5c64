import { Copy } from 'lucide-react';
import { toast } from 'sonner';
import { Button } from '../ui/parts';
import { FIELD } from '../ui/form/fields';
import { Sheet } from '../ui/Sheet';
import type { Invited } from './InviteDialog';

/** The link of an invitation, shown this once. */
export function LinkOnce({ invited, onClose }: { invited: Invited | null; onClose: () => void }) {
  const link = invited ? `${window.location.origin}/come-in#${invited.token}` : '';
  const copy = () =>
    navigator.clipboard.writeText(link).then(
      () => toast('The link is copied.'),
      () => toast('It could not be copied; mark it and copy it by hand.'),
    );
  return (
    <Sheet
      open={invited !== null}
      title={`The link for ${invited?.name ?? ''}`}
      note="Send it to nobody else: it lets in whoever opens it first. It holds for seven days, works once, and is shown only now."
      onClose={onClose}
    >
      <input readOnly aria-label="Link" value={link} onFocus={(e) => e.target.select()} className={`w-full ${FIELD}`} data-link />
      <div className="mt-3 flex justify-end gap-2">
        <Button onClick={() => void copy()}>
          <Copy size={15} aria-hidden="true" /> Copy
        </Button>
        <Button strong onClick={onClose}>
          I have it
        </Button>
      </div>
    </Sheet>
  );
}
