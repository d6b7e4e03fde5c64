import type { QueryKey } from '@tanstack/react-query';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { toast } from 'sonner';
import { ApiProblem } from './api';

interface SaveTerms<In, Out> {
  readonly send: (input: In) => Promise<Out>;
  /** What is read again once it is stored. */
  readonly touches: readonly QueryKey[];
  /** Said when it is stored; nothing when left out. */
  readonly told?: string | ((out: Out, input: In) => string);
  /** After it is stored. */
  readonly onStored?: (out: Out, input: In) => void;
  /** When everything that it touches has been read again. */
  readonly onRead?: (out: Out, input: In) => void;
  /** When it is refused, or did not get there. */
  readonly onRefused?: (error: Error) => void;
}

/** What is being saved, and what was wrong with it. */
export interface Saving<In> {
  readonly save: (input: In) => void;
  /** What is on its way to the server; undefined when nothing is. */
  readonly sent: In | undefined;
  readonly busy: boolean;
  /** What was stored last; undefined before. */
  readonly sentOnce: In | undefined;
  /** What was refused, when it is no fault of a field that the screen shows. */
  readonly error: unknown;
  /** What is wrong with a field, for the line below it. */
  readonly fault: (field: string) => string | undefined;
  readonly clear: () => void;
}

/** The one way to change something on the server: faults at their fields, everything that it touches read again, and a word when it is done. */
export function useSave<In, Out = unknown>({ send, touches, told, onStored, onRead, onRefused }: SaveTerms<In, Out>): Saving<In> {
  const queries = useQueryClient();
  const mutation = useMutation({
    mutationFn: send,
    // Sent at once or refused: what waits for a network stands on deck alone.
    networkMode: 'always',
    onError: (error) => onRefused?.(error),
    onSuccess: async (out, input) => {
      if (told !== undefined) toast(typeof told === 'string' ? told : told(out, input));
      onStored?.(out, input);
      await Promise.all(touches.map((queryKey) => queries.invalidateQueries({ queryKey })));
      onRead?.(out, input);
    },
  });
  const fields = mutation.error instanceof ApiProblem ? mutation.error.body.fields : [];
  return {
    save: (input) => mutation.mutate(input),
    sent: mutation.isPending ? mutation.variables : undefined,
    busy: mutation.isPending,
    sentOnce: mutation.isSuccess ? mutation.variables : undefined,
    error: mutation.error,
    fault: (field) => fields.find((f) => f.field === field)?.message,
    clear: () => mutation.reset(),
  };
}
