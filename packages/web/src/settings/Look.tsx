import { useState } from 'react';
import { setTheme, THEME_NAMES, THEMES } from '../data/themes';
import { Segments } from '../ui/Segments';

/** The look on this device: by day, by night, or in glare. */
export function Look() {
  const [theme, setShown] = useState(document.documentElement.dataset.theme ?? 'chalk');
  return (
    <section>
      <h2 className="mb-1 font-bold">Look on this device</h2>
      <p className="mb-2 text-ink-2">Night spares the eyes before dawn; glare is for a phone in the sun.</p>
      <Segments
        label="Look"
        value={theme}
        options={THEMES.map((value) => ({ value, name: THEME_NAMES[value] }))}
        onPick={(value) => {
          setTheme(value as (typeof THEMES)[number]);
          setShown(value);
        }}
      />
    </section>
  );
}
