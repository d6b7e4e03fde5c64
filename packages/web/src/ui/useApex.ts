import { type RefObject, useEffect, useRef } from 'react';

/** A colour of the theme, by the name of its property. */
type ColourOf = (name: string) => string;

/**
 * A chart in an element, drawn by a package that is fetched when the first one is looked at.
 * @param drawn - What is drawn, as a text: it is drawn anew when that changes. @param options - In the package's own terms.
 */
export function useApex(drawn: string, options: (colour: ColourOf, widthPx: number) => object): RefObject<HTMLDivElement | null> {
  const box = useRef<HTMLDivElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is drawn is compared by what it says
  useEffect(() => {
    const el = box.current;
    if (!el) return;
    let gone = false;
    let chart: { destroy: () => void } | null = null;
    void import('apexcharts').then(({ default: ApexCharts }) => {
      if (gone) return;
      const css = getComputedStyle(document.documentElement);
      const made = new ApexCharts(
        el,
        options((name) => css.getPropertyValue(name).trim(), el.clientWidth),
      );
      // One that is left while it is still being drawn throws in its own clearing up, which would take the next screen with it.
      const drawing = made.render().catch(() => undefined);
      chart = { destroy: () => void drawing.then(() => made.destroy()).catch(() => undefined) };
    });
    return () => {
      gone = true;
      chart?.destroy();
    };
  }, [drawn]);
  return box;
}
