import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { useState, type FormEvent } from 'react';
import {
  get,
  set,
  useForm,
  type DefaultValues,
  type FieldValues,
  type Path,
  type PathValue,
  type Resolver,
  type UseFormReturn,
} from 'react-hook-form';

/** What the server said of a request that it did not take. */
interface Refusal extends Error {
  readonly fields: readonly { readonly path: string; readonly message: string }[];
}

const isRefusal = (error: unknown): error is Refusal =>
  error instanceof Error && Array.isArray((error as Partial<Refusal>).fields);

/** What is wrong with a body, where. */
export interface Fault {
  readonly path: string;
  readonly message: string;
}

interface RequestFormOptions<Typed extends FieldValues, Body extends object, Answer> {
  /** The class of the contract that the body is checked by, before it is sent and on the server alike. */
  readonly request: new () => Body;
  readonly start: DefaultValues<Typed>;
  /** What the core finds wrong with a body before anything else is asked. */
  readonly check?: (body: Body) => Fault | null;
  /** The body of what is typed; what is no figure stays as it was typed, for the contract to refuse in its own words. */
  readonly bodyOf: (typed: Typed) => Body;
  readonly send: (body: Body, typed: Typed) => Promise<Answer>;
  readonly onSaved?: (answer: Answer) => void;
  /** What else a failure that belongs to no field asks for. */
  readonly onFailed?: (error: Error) => void;
  /** What else giving it up does. */
  readonly onLeave?: () => void;
  /** Where what is typed is kept until it is saved; the form starts from what it holds. */
  readonly draft?: FormDraft<Typed>;
}

/** What a form needs of a draft. */
interface FormDraft<Typed> {
  readonly value: Typed;
  readonly set: (part: Partial<Typed>) => void;
  readonly discard: (start: Typed) => void;
  readonly done: () => void;
}

interface RequestForm<Typed extends FieldValues> {
  readonly form: UseFormReturn<Typed>;
  /** All that is typed, as it stands; whoever reads it is drawn anew with every key. */
  readonly typed: Typed;
  /** Puts what a control says. */
  readonly set: (part: Partial<Typed>) => void;
  /** Starts anew from this, as if nothing had been typed; a draft is thrown away. */
  readonly restart: (start: Typed) => void;
  /** Gives up what is typed, and its draft. */
  readonly leave: () => void;
  readonly onSubmit: (event?: FormEvent) => void;
  /** What is wrong with a part of the body, by its path, whoever found it. */
  readonly fault: (path: string) => string | undefined;
  /** The same, or the first that is wrong within it. */
  readonly within: (path: string) => string | undefined;
  /** A typed field with its fault; `path` where the body calls it otherwise. */
  readonly field: (
    name: Path<Typed>,
    path?: string,
  ) => ReturnType<UseFormReturn<Typed>['register']> & {
    readonly error: string | undefined;
  };
  /** The first fault of all, once it was to be sent. */
  readonly wrong: Fault | undefined;
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
  check,
  bodyOf,
  send,
  onSaved,
  onFailed,
  onLeave,
  draft,
}: RequestFormOptions<Typed, Body, Answer>): RequestForm<Typed> {
  const [failed, setFailed] = useState<Error | null>(null);
  const form = useForm<Typed>({
    defaultValues: draft ? (draft.value as DefaultValues<Typed>) : start,
    resolver: resolverOf(request, bodyOf, check),
  });
  const { errors, isSubmitting } = form.formState;
  const fault = (path: string): string | undefined => ownMessage(get(errors, path));
  const submit = form.handleSubmit(async (typed) => {
    setFailed(null);
    try {
      // Sent whether or not anybody waits for the answer.
      const answer = await send(bodyOf(typed), typed);
      draft?.done();
      onSaved?.(answer);
    } catch (error) {
      if (placeFaults(form, error)) return;
      setFailed(error as Error);
      onFailed?.(error as Error);
    }
  });
  return {
    form,
    // Watched where it is read: a form of fields that keep what is typed themselves is not drawn anew for a key.
    get typed() {
      return form.watch();
    },
    set: (part) => {
      for (const [name, value] of Object.entries(part)) {
        form.setValue(name as Path<Typed>, value as PathValue<Typed, Path<Typed>>, { shouldDirty: true });
        form.clearErrors(name as Path<Typed>);
      }
      draft?.set(part);
    },
    restart: (from) => {
      setFailed(null);
      draft?.discard(from);
      form.reset(from);
    },
    leave: () => {
      draft?.done();
      onLeave?.();
    },
    onSubmit: (event) => void submit(event),
    fault,
    within: (path) => faultIn(get(errors, path), path)?.message,
    field: (name, path = name) => ({
      ...form.register(name, {
        ...(draft && {
          onChange: (event: { readonly target: { readonly value: unknown } }) =>
            draft.set({ [name]: event.target.value } as Partial<Typed>),
        }),
      }),
      error: fault(path),
    }),
    wrong: faultIn(errors, ''),
    failed,
    sending: isSubmitting,
  };
}

const ownMessage = (found: unknown): string | undefined =>
  typeof found === 'object' && found !== null && 'message' in found && typeof found.message === 'string'
    ? found.message
    : undefined;

/** The fault that stands here, or the first of those within it. */
function faultIn(found: unknown, path: string): Fault | undefined {
  const message = ownMessage(found);
  if (message !== undefined) return { path, message };
  if (typeof found !== 'object' || found === null) return undefined;
  for (const [name, inner] of Object.entries(found)) {
    if (name === 'ref') continue;
    const below = Array.isArray(found) ? `${path}[${name}]` : path ? `${path}.${name}` : name;
    const fault = faultIn(inner, below);
    if (fault) return fault;
  }
  return undefined;
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
  check: ((body: Body) => Fault | null) | undefined,
): Resolver<Typed> {
  const checkClass = classValidatorResolver(request);
  return async (typed, context, { names: _names, ...options }) => {
    const body = bodyOf(typed);
    const found = check?.(body);
    if (found) {
      const errors = {};
      set(errors, found.path, { type: 'core', message: found.message });
      return { values: {}, errors };
    }
    const checked = await checkClass({ ...body }, context, options);
    return Object.keys(checked.errors).length > 0
      ? ({ values: {}, errors: checked.errors } as Awaited<ReturnType<Resolver<Typed>>>)
      : { values: typed, errors: {} };
  };
}
