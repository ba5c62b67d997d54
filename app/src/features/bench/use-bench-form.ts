import { examples } from '@calvet/core/examples';
import { operations, type OperationName } from '@calvet/core/operations';
import type { RefusalDescription } from '@calvet/core/refusal';
import { misfit, type FieldsSchema, type Schema } from '@calvet/core/schema';
import { useCallback, useMemo, useState } from 'react';
import { useAnswer, type Answering } from '../../compute/use-answer';
import { changeBenchDraft, useBenchDraft } from '../../data/bench-drafts';
import { usePreferences } from '../../data/preferences';
import { messageOf } from '../../ui/entry-message';
import type { FormAccess } from './form-fields';
import {
  blankOf,
  hasShape,
  inputOf,
  isFields,
  missingIn,
  pathOf,
  pathText,
  valueAt,
  valuesIn,
  withChange,
  type Draft,
  type DraftFields,
  type Path,
} from './draft';
import { itemTitle, labelOf, quantityOf, within } from './member-words';

/** Words for a place in a form: "Run 1, reading 3, building pressure". */
export function fieldWords(schema: Schema, path: Path): string {
  const words: string[] = [];
  const add = (word: string): void => {
    const isName = words.length === 0 || /^[a-z]+\d|^[RUCψ]\b/.test(word);
    words.push(isName ? word : word.toLowerCase());
  };
  let at: Schema | undefined = schema;
  path.forEach((step, i) => {
    const around: Schema | undefined = at;
    at = within(around, step);
    if (typeof step === 'number') {
      if (around?.kind === 'list') add(itemTitle({ name: String(path[i - 1]), schema: around }, step));
    } else if (around?.kind === 'named') words.push(step);
    else if (at !== undefined && typeof path[i + 1] !== 'number') add(labelOf({ name: step, schema: at }));
  });
  return words.join(', ');
}

const NAMED_PLACES = 3;

function stillNeeded(missing: readonly Path[], schema: Schema): string {
  const places = missing.slice(0, NAMED_PLACES).map((path) => fieldWords(schema, path));
  const more = missing.length - places.length;
  return `Still needed: ${places.join(' · ')}${more > 0 ? ` · and ${more} more` : ''}.`;
}

/** A refusal in words, with the place that it means. */
function refusalWords({ code, field, message }: RefusalDescription, schema: Schema): string {
  const path = pathOf(field);
  if (code === 'required') return stillNeeded([path], schema);
  return field === '' ? message : `${fieldWords(schema, path)}: ${message}`;
}

/** The example of an operation as a draft. */
export function exampleOf(name: OperationName): DraftFields {
  return examples[name] as unknown as DraftFields;
}

export interface BenchForm {
  readonly schema: FieldsSchema;
  readonly draft: DraftFields;
  readonly access: FormAccess;
  /** What has to be done before there is an answer. */
  readonly obstacle: string | null;
  readonly answering: Answering<OperationName> | null;
  /** Puts something else into the whole form and gives back what stood there. */
  readonly replace: (next: DraftFields) => () => void;
  readonly isBlank: boolean;
}

/** What is entered for an operation, what is wrong with it, and what it comes to. */
export function useBenchForm(name: OperationName): BenchForm {
  const { units } = usePreferences();
  const schema: FieldsSchema = operations[name].schema;
  const blank = useMemo(() => blankOf(schema, exampleOf(name)) as DraftFields, [schema, name]);
  const kept = useBenchDraft(name) as Draft | undefined;
  const draft = hasShape(schema, kept) && isFields(kept) ? kept : blank;
  const [unreadable, setUnreadables] = useState<ReadonlySet<string>>(new Set());

  const input = useMemo(() => inputOf(schema, draft) as DraftFields, [schema, draft]);
  const missing = useMemo(() => missingIn(schema, input), [schema, input]);
  const misfits = useMemo(() => {
    const found = new Map<string, string>();
    for (const { path, schema: member, value } of valuesIn(schema, input)) {
      const refusal = misfit(member, value);
      if (refusal === null) continue;
      const quantity = quantityOf(member, valueAt(input, path.slice(0, -1)));
      found.set(pathText(path), messageOf(refusal.toJSON().error, { quantity, units }));
    }
    return found;
  }, [schema, input, units]);
  const isReady = missing.length === 0 && misfits.size === 0 && unreadable.size === 0;
  const answering = useAnswer(name, isReady ? input : null);
  const refusal =
    answering?.state === 'here' && answering.answer.kind === 'refused' ? answering.answer.refusal : null;

  const setUnreadable = useCallback((path: Path, isUnreadable: boolean) => {
    const text = pathText(path);
    setUnreadables((before) => {
      if (before.has(text) === isUnreadable) return before;
      const next = new Set(before);
      if (isUnreadable) next.add(text);
      else next.delete(text);
      return next;
    });
  }, []);
  const access = useMemo<FormAccess>(
    () => ({
      change: (path, value) =>
        changeBenchDraft(name, (before) =>
          withChange(hasShape(schema, before as Draft | undefined) ? (before as Draft) : blank, path, value),
        ),
      messageAt: (path) => {
        const text = pathText(path);
        const isMeant = refusal !== null && refusal.code !== 'required' && refusal.field === text;
        return misfits.get(text) ?? (isMeant ? refusal.message : null);
      },
      setUnreadable,
    }),
    [name, schema, blank, misfits, refusal, setUnreadable],
  );

  const obstacle =
    misfits.size > 0 || unreadable.size > 0
      ? 'A figure cannot be right: it is marked, with what it has to be.'
      : missing.length > 0
        ? stillNeeded(missing, schema)
        : refusal === null
          ? null
          : refusalWords(refusal, schema);
  return {
    schema,
    draft,
    access,
    obstacle,
    answering,
    replace: (next) => {
      changeBenchDraft(name, () => next);
      setUnreadables(new Set());
      return () => changeBenchDraft(name, () => draft);
    },
    isBlank: JSON.stringify(draft) === JSON.stringify(blank),
  };
}
