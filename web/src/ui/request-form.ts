import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { useState, type FormEvent } from 'react';
import {
  get,
  useForm,
  type DefaultValues,
  type FieldValues,
  type Path,
  type Resolver,
  type UseFormReturn,
} from 'react-hook-form';

/** What the server said of a request that it did not take. */
interface Refusal extends Error {
  readonly fields: readonly { readonly path: string; readonly message: string }[];
}

const isRefusal = (error: unknown): error is Refusal =>
  error instanceof Error && Array.isArray((error as Partial<Refusal>).fields);

interface RequestFormOptions<Typed extends FieldValues, Body extends object, Answer> {
  /** The class of the contract that the body is checked by, before it is sent and on the server alike. */
  readonly request: new () => Body;
  readonly start: DefaultValues<Typed>;
  /** The body of what is typed; what is no figure stays as it was typed, for the contract to refuse in its own words. */
  readonly bodyOf: (typed: Typed) => Body;
  readonly send: (body: Body) => Promise<Answer>;
  readonly onSaved?: (answer: Answer) => void;
}

interface RequestForm<Typed extends FieldValues> {
  readonly form: UseFormReturn<Typed>;
  readonly onSubmit: (event?: FormEvent) => void;
  /** What is wrong with a part of the body, by its path, whoever found it. */
  readonly fault: (path: string) => string | undefined;
  /** A typed field with its fault; `path` where the body calls it otherwise. */
  readonly field: (
    name: Path<Typed>,
    path?: string,
  ) => ReturnType<UseFormReturn<Typed>['register']> & {
    readonly error: string | undefined;
  };
  /** A refusal or failure that belongs to no field. */
  readonly failed: Error | null;
  readonly sending: boolean;
}

/**
 * A form that writes one request: what is typed is checked by the request's own class, sent, and what the server says of a
 * field stands at that field. What was typed stays whatever happens.
 */
export function useRequestForm<Typed extends FieldValues, Body extends object, Answer>({
  request,
  start,
  bodyOf,
  send,
  onSaved,
}: RequestFormOptions<Typed, Body, Answer>): RequestForm<Typed> {
  const [failed, setFailed] = useState<Error | null>(null);
  const form = useForm<Typed>({ defaultValues: start, resolver: resolverOf(request, bodyOf) });
  const { errors, isSubmitting } = form.formState;
  const fault = (path: string): string | undefined => {
    const found: unknown = get(errors, path);
    const message = (found as { readonly message?: unknown } | undefined)?.message;
    return typeof message === 'string' ? message : undefined;
  };
  const submit = form.handleSubmit(async (typed) => {
    setFailed(null);
    try {
      // Sent whether or not anybody waits for the answer.
      const answer = await send(bodyOf(typed));
      onSaved?.(answer);
    } catch (error) {
      if (!placeFaults(form, error)) setFailed(error as Error);
    }
  });
  return {
    form,
    onSubmit: (event) => void submit(event),
    fault,
    field: (name, path = name) => ({ ...form.register(name), error: fault(path) }),
    failed,
    sending: isSubmitting,
  };
}

/** Stands what the server said of each field at that field; false where it said nothing of any. */
function placeFaults<Typed extends FieldValues>({ setError }: UseFormReturn<Typed>, error: unknown): boolean {
  if (!isRefusal(error) || error.fields.length === 0) return false;
  for (const { path, message } of error.fields)
    setError(path as Path<Typed>, { type: 'server', message }, { shouldFocus: true });
  return true;
}

/** Checks the body that would be sent; the faults stand by the names of the body. */
function resolverOf<Typed extends FieldValues, Body extends object>(
  request: new () => Body,
  bodyOf: (typed: Typed) => Body,
): Resolver<Typed> {
  const check = classValidatorResolver(request);
  return async (typed, context, { names: _names, ...options }) => {
    const checked = await check({ ...bodyOf(typed) }, context, options);
    return Object.keys(checked.errors).length > 0
      ? ({ values: {}, errors: checked.errors } as Awaited<ReturnType<Resolver<Typed>>>)
      : { values: typed, errors: {} };
  };
}
