import type { AuthenticatorMade } from '@bluffwind/contract/auth';
import qrcode from 'qrcode-generator';
import { useMemo } from 'react';
import type { Saving } from '../data/useSave';
import { Entry } from '../ui/form/Entry';
import { TextField } from '../ui/form/fields';

/** Quiet modules around the square (ISO/IEC 18004). */
const QUIET = 4;

/** The square that an authenticator scans, the same as letters, and the first code. */
export function Scan({ made, saving, onLeave }: { made: AuthenticatorMade; saving: Saving<{ code: string }>; onLeave: () => void }) {
  const { size, path } = useMemo(() => squareOf(made.address), [made.address]);
  return (
    <>
      {/* Dark on white in every theme: cameras want it so. */}
      <svg
        viewBox={`0 0 ${size} ${size}`}
        role="img"
        aria-label="Square to scan with an authenticator"
        className="mx-auto mb-2 w-[220px] rounded bg-white"
        shapeRendering="crispEdges"
      >
        <path d={path} fill="#000" />
      </svg>
      <p className="mb-3 text-center font-mono text-[0.94rem] break-all" data-secret={made.secret}>
        {made.secret.replaceAll(/(.{4})(?=.)/g, '$1 ')}
      </p>
      <Entry<{ code: string }> values={{ code: '' }} saving={saving} onSave={saving.save} onLeave={onLeave} store="Ask me from now on">
        <TextField name="code" label="Six figures" required maxLength={40} autoComplete="one-time-code" />
      </Entry>
    </>
  );
}

function squareOf(text: string): { size: number; path: string } {
  const code = qrcode(0, 'M');
  code.addData(text);
  code.make();
  const n = code.getModuleCount();
  let path = '';
  for (let y = 0; y < n; y++) for (let x = 0; x < n; x++) if (code.isDark(y, x)) path += `M${x + QUIET} ${y + QUIET}h1v1h-1z`;
  return { size: n + 2 * QUIET, path };
}
