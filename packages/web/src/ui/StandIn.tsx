import { Fault, Header, Waiting } from './parts';

/** A screen that is not there yet, under its own heading: what it waits for, or what went wrong. */
export function StandIn({ title, what, error, retry }: { title: string; what: string; error?: unknown; retry?: () => void }) {
  return (
    <>
      <Header title={title} />
      {error ? <Fault error={error} {...(retry ? { retry } : {})} /> : <Waiting what={what} />}
    </>
  );
}
