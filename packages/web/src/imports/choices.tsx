import { Choice, plainOptions } from '../ui/Choice';

/** What stands before the fraction in a file's figures. */
export function DecimalChoice({ value, onChange }: { value: '.' | ','; onChange: (v: '.' | ',') => void }) {
  return (
    <Choice
      label="Decimal sign"
      value={value}
      options={[
        { value: '.', name: 'point' },
        { value: ',', name: 'comma' },
      ]}
      onPick={onChange}
    />
  );
}

/** The zone of a file's times that name none: the outfit's, UTC, or this device's. */
export function ZoneChoice({ value, outfitZone, onChange }: { value: string; outfitZone: string; onChange: (v: string) => void }) {
  const zones = [...new Set([outfitZone, 'UTC', Intl.DateTimeFormat().resolvedOptions().timeZone])];
  return <Choice label="Zone of times without one" value={value} options={plainOptions(zones)} onPick={onChange} />;
}

/** Whether a file's dates name the day or the month first. */
export function DateOrderChoice({
  value,
  label = 'Dates',
  onChange,
}: {
  value: 'dmy' | 'mdy';
  label?: string;
  onChange: (v: 'dmy' | 'mdy') => void;
}) {
  return (
    <Choice
      label={label}
      value={value}
      options={[
        { value: 'dmy', name: 'day first' },
        { value: 'mdy', name: 'month first' },
      ]}
      onPick={onChange}
    />
  );
}
