// The one form of the application: its fields know their own faults, those that the server finds come to the field that they are of, and
// nothing that was typed goes when it is refused.
import { type ReactNode, useEffect } from 'react';
import { type DefaultValues, type FieldValues, FormProvider, type Path, useForm } from 'react-hook-form';
import { ApiProblem } from '../../data/api';
import { Button, Fault } from '../parts';

interface EntryProps<V extends FieldValues> {
  readonly values: V;
  readonly saving: { readonly error: unknown; readonly busy: boolean };
  readonly onSave: (values: V) => void;
  readonly onLeave: () => void;
  /** What the button says. */
  readonly store?: string;
  /** A field as the form calls it, by what the server calls it. */
  readonly fieldOf?: (field: string, values: V) => string;
  /** More that can be done, left of leaving and storing. */
  readonly also?: ReactNode | ((values: () => V) => ReactNode);
  readonly className?: string;
  readonly children: ReactNode;
}

/** Fields, what was refused, and storing or leaving it. */
export function Entry<V extends FieldValues>({
  values,
  saving,
  onSave,
  onLeave,
  store = 'Store',
  also,
  fieldOf = (field) => field,
  className = 'flex flex-col gap-3',
  children,
}: EntryProps<V>) {
  const form = useForm<V>({ defaultValues: values as DefaultValues<V>, mode: 'onTouched' });
  const { error } = saving;
  const faultsHere = () => {
    if (!(error instanceof ApiProblem)) return [];
    const named = error.body.fields.map((f) => ({ ...f, field: fieldOf(f.field, form.getValues()) }));
    return named.filter((f) => (f.field.split('.')[0] as string) in values);
  };
  const known = faultsHere();
  // biome-ignore lint/correctness/useExhaustiveDependencies: told once for each refusal
  useEffect(() => {
    faultsHere().forEach((f, i) => {
      form.setError(f.field as Path<V>, { type: 'server', message: f.message }, { shouldFocus: i === 0 });
    });
  }, [error]);
  return (
    <FormProvider {...form}>
      <form noValidate onSubmit={form.handleSubmit((v) => onSave(v))} className={className}>
        {children}
        {error !== null && known.length === 0 && (
          <div className="col-span-full">
            <Fault error={error} />
          </div>
        )}
        {known.length > 0 && (
          <p role="alert" className="col-span-full text-rust">
            Not stored yet. {(error as ApiProblem).body.detail}
          </p>
        )}
        <div className="col-span-full flex flex-wrap justify-end gap-2">
          {also && <span className="mr-auto flex gap-2">{typeof also === 'function' ? also(() => form.getValues()) : also}</span>}
          <Button onClick={onLeave}>Leave it</Button>
          <Button strong type="submit" disabled={saving.busy}>
            {store}
          </Button>
        </div>
      </form>
    </FormProvider>
  );
}
