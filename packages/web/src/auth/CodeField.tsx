/** The code that a sign-in asks for after the password. */
export function CodeField({ code, onCode }: { code: string; onCode: (code: string) => void }) {
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor="code">Code</label>
      <input
        id="code"
        required
        // It is what is asked for now: the form has just been sent with all that stands above it.
        // biome-ignore lint/a11y/noAutofocus: the one field that came up
        autoFocus
        autoComplete="one-time-code"
        maxLength={40}
        value={code}
        onChange={(e) => onCode(e.target.value)}
        className="rounded border border-ink-3 bg-paper px-3 py-2 font-mono tracking-widest"
        aria-describedby="code-help"
      />
      <span id="code-help" className="text-[0.87rem] text-ink-2">
        The six figures that your authenticator shows now, or one of the codes that you wrote down.
      </span>
    </div>
  );
}
