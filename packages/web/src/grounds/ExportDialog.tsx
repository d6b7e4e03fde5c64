import { saveFile } from '../ui/saveFile';
import { useState } from 'react';
import { toast } from 'sonner';
import { get } from '../data/api';
import { Button, Fault } from '../ui/parts';
import { Sheet } from '../ui/Sheet';
import { Choice } from '../ui/Choice';

interface Exported {
  readonly fileName: string;
  readonly mediaType: string;
  readonly text: string;
  readonly spots: number;
  readonly leftOut: number;
}

/** Spots as a file. Captains' spots are left out unless they are asked for, and asked for twice. */
export function ExportDialog({
  open,
  waterId,
  captains,
  onClose,
}: {
  open: boolean;
  waterId: string;
  captains: number;
  onClose: () => void;
}) {
  const [format, setFormat] = useState<'gpx' | 'kml' | 'geojson'>('gpx');
  const [all, setAll] = useState(false);
  const [sure, setSure] = useState(false);
  const [drawn, setDrawn] = useState(true);
  const [error, setError] = useState<unknown>(null);
  async function save() {
    setError(null);
    if (all && !sure) {
      setSure(true);
      return;
    }
    try {
      const file = await get<Exported>(
        `/waters/${waterId}/export?${new URLSearchParams({ format, captains: all ? 'yes' : 'no', drawn: drawn ? 'yes' : 'no', sure: all && sure ? 'yes' : 'no' })}`,
      );
      saveFile(file.fileName, file.text, file.mediaType);
      toast(`${file.spots} spots written${file.leftOut > 0 ? `, ${file.leftOut} of the captains' left out` : ''}.`);
      close();
    } catch (problem) {
      setError(problem);
    }
  }
  const close = () => {
    setAll(false);
    setSure(false);
    setError(null);
    onClose();
  };
  return (
    <Sheet open={open} title="Export spots" note="A file that other programs read. It shows where your spots are." onClose={close}>
      <div className="flex flex-col gap-3">
        <Choice
          label="Format"
          labelled="beside"
          value={format}
          options={[
            { value: 'gpx', name: 'GPX' },
            { value: 'kml', name: 'KML' },
            { value: 'geojson', name: 'GeoJSON' },
          ]}
          onPick={setFormat}
        />
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={drawn} onChange={(e) => setDrawn(e.target.checked)} />
          With what the crew has drawn
        </label>
        {captains > 0 && (
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={all}
              onChange={(e) => {
                setAll(e.target.checked);
                setSure(false);
              }}
            />
            With the {captains} {captains === 1 ? 'spot' : 'spots'} that only captains know
          </label>
        )}
        {sure && (
          <p role="alert" className="border-l-4 border-rust bg-rust-pale px-3 py-2">
            Once out, a secret spot cannot be called back. Press again if they may leave the outfit; it is noted who did it.
          </p>
        )}
        {error !== null && <Fault error={error} />}
        <div className="flex justify-end gap-2">
          <Button onClick={close}>Cancel</Button>
          <Button strong onClick={save}>
            {sure ? 'Yes, with the captains’ spots' : 'Save the file'}
          </Button>
        </div>
      </div>
    </Sheet>
  );
}
