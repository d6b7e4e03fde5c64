/** The way into the demo, in a page of its own: what is typed here stays. */
export function LookRound({ at }: { at: string }) {
  return (
    <p className="mt-3 border-t border-line pt-3">
      Or{' '}
      <a href={at} target="_blank" rel="noreferrer" className="font-semibold underline underline-offset-2">
        look round the demo
      </a>{' '}
      first: an invented crew with three seasons of log. It is apart from this server; nothing of it comes in here.
    </p>
  );
}
