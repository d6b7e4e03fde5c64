const FIELD = 'rounded border border-ink-3 bg-chalk px-2 py-1';

/** What stands before the fraction in a file's figures. */
export function DecimalChoice({ value, onChange }: { value: '.' | ','; onChange: (v: '.' | ',') => void }) {
  return (
    <label className="flex flex-col gap-0.5">
      Decimal sign
      <select value={value} onChange={(e) => onChange(e.target.value as '.' | ',')} className={FIELD}>
        <option value=".">point</option>
        <option value=",">comma</option>
      </select>
    </label>
  );
}

/** The zone of a file's times that name none: the outfit's, UTC, or this device's. */
export function ZoneChoice({ value, outfitZone, onChange }: { value: string; outfitZone: string; onChange: (v: string) => void }) {
  const zones = [...new Set([outfitZone, 'UTC', Intl.DateTimeFormat().resolvedOptions().timeZone])];
  return (
    <label className="flex flex-col gap-0.5">
      Zone of times without one
      <select value={value} onChange={(e) => onChange(e.target.value)} className={FIELD}>
        {zones.map((z) => (
          <option key={z}>{z}</option>
        ))}
      </select>
    </label>
  );
}
