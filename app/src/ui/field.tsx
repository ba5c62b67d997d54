import { unitOf } from '@calvet/core/units/quantity';
import { Children, memo, useId, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { TextInput } from 'react-native-paper';
import useLatestCallback from 'use-latest-callback';
import { usePreferences } from '../data/preferences';
import type { EntryStage } from '../data/typing';
import { Button } from './button';
import Icon from './icon-font/icon-set';
import type { EntryTrouble } from './figure-entry';
import { describedBy, NumberInput, type NumberInputProps } from './number-input';
import { Text } from './text';
import { usePalette } from './theme';
import { fonts, rem, space } from './tokens';

interface FieldMessageProps {
  /** By which its field names it. */
  readonly id?: string;
  /** Nothing is shown where there is none. */
  readonly message: string | null | undefined;
  /** Nothing is wrong; something is only told. */
  readonly isTold?: boolean;
}

/** What is wrong with a field and what to do about it. */
export function FieldMessage({ id, message, isTold = false }: FieldMessageProps) {
  const palette = usePalette();
  if (message === null || message === undefined) return null;
  const tone = isTold ? 'soft' : 'ember';
  return (
    <View id={id} style={styles.message} role={isTold ? 'status' : 'alert'}>
      {!isTold && <Icon name="alert-circle" size={16} color={palette.ember} />}
      <Text look="small" tone={tone} style={styles.messageText}>
        {message}
      </Text>
    </View>
  );
}

/** Short fields side by side, as many as fit. */
export function FieldGrid({ children }: { readonly children: readonly ReactNode[] }) {
  return (
    <View style={styles.grid}>
      {Children.map(children, (child) => (
        <View style={styles.inGrid}>{child}</View>
      ))}
    </View>
  );
}

interface LabelledProps {
  /** Stands over the field, at its left. */
  readonly label: string;
  /** Stands over the field, at its right. */
  readonly unit?: string;
  /** Stands below the field. */
  readonly message?: string | null;
  /** By which the field names its message. */
  readonly messageId?: string;
  /** The message says nothing is wrong; something is only told. */
  readonly isTold?: boolean;
  /** Stand below the message. */
  readonly choices?: ReactNode;
  /** The field itself. */
  readonly children: ReactNode;
}

/** A field under its label, with the unit beside it and its message below. */
export function Labelled({ label, unit, message, messageId, isTold, choices, children }: LabelledProps) {
  return (
    <View style={styles.field}>
      <View style={styles.labelRow}>
        <Text look="small" tone="soft">
          {label}
        </Text>
        {unit !== undefined && unit !== '' && (
          <Text look="small" tone="soft" style={styles.unit}>
            {unit}
          </Text>
        )}
      </View>
      {children}
      <FieldMessage id={messageId} message={message} isTold={isTold} />
      {choices}
    </View>
  );
}

interface NumberFieldProps extends Omit<NumberInputProps, 'onTrouble' | 'hasError'> {
  /** From outside: shown where the field itself finds nothing wrong. */
  readonly message?: string | null;
  /** Told what is wrong with what stands in the field, and null once nothing is. */
  readonly onTroubleChange?: (message: string | null) => void;
  /** Where it is called otherwise than its quantity's. */
  readonly unit?: string;
  /** Told where nothing is wrong: what an empty field means. */
  readonly hint?: string | null;
  /** Stands below it. */
  readonly below?: ReactNode;
}

/** A figure that can be read in several ways: each to be chosen. */
function Choices({ choices, take }: EntryTrouble) {
  if (choices.length === 0) return null;
  return (
    <View style={styles.choices}>
      {choices.map((text) => (
        <Button key={text} label={text} onPress={() => take(text)} />
      ))}
    </View>
  );
}

/** What is wrong with what stands in one of several bare fields; what is said from outside where nothing is. */
export function FieldTrouble({
  trouble,
  message,
}: {
  readonly trouble: EntryTrouble | null;
  readonly message: string | null;
}) {
  return (
    <>
      <FieldMessage message={trouble?.message ?? message} isTold={trouble?.isTold} />
      {trouble !== null && <Choices {...trouble} />}
    </>
  );
}

/** A labelled field for one figure. */
export function NumberField(props: NumberFieldProps) {
  const commit = useLatestCallback(props.onCommit);
  return <DrawnNumberField {...props} onCommit={commit} />;
}

/** The same while nothing about it but where its figure goes has changed. */
const DrawnNumberField = memo(function DrawnNumberField(props: NumberFieldProps) {
  const { message, onTroubleChange, unit, hint, below, ...input } = props;
  const { units } = usePreferences();
  const [trouble, setTrouble] = useState<EntryTrouble | null>(null);
  const messageId = useId();
  const wrong = trouble?.message ?? message ?? null;
  const shown = wrong ?? hint ?? null;
  const isTold = wrong === null || (trouble?.isTold ?? false);
  return (
    <Labelled
      label={input.label}
      unit={unit ?? unitOf(input.quantity, units).symbol}
      message={shown}
      messageId={messageId}
      isTold={isTold}
      choices={trouble === null ? below : <Choices {...trouble} />}
    >
      <NumberInput
        {...input}
        hasError={shown !== null && !isTold}
        describedBy={shown === null ? undefined : messageId}
        onTrouble={(next) => {
          setTrouble(next);
          onTroubleChange?.(next === null || next.isTold ? null : next.message);
        }}
      />
    </Labelled>
  );
});

interface GivenFieldProps extends Omit<NumberFieldProps, 'onCommit' | 'isRequired'> {
  /** Called as with any field, but never without a figure. */
  readonly onFigure: (si: number, stage: EntryStage) => void;
}

/** A labelled field for a figure that there always is: one that is left empty goes back to the one before. */
export function GivenField({ onFigure, ...field }: GivenFieldProps) {
  return (
    <NumberField
      {...field}
      isRequired
      onCommit={(si, stage) => {
        if (si !== null) onFigure(si, stage);
      }}
    />
  );
}

interface TextFieldProps {
  /** Stands over the field. */
  readonly label: string;
  /** What stands in it. */
  readonly value: string;
  /** Called with the whole text, key by key. */
  readonly onChange: (text: string) => void;
  /** What is wrong with it. */
  readonly message?: string | null;
  /** It takes no more letters than these. */
  readonly maxLength?: number;
  /** It grows with its lines. */
  readonly multiline?: boolean;
  /** It is written into at once. */
  readonly autoFocus?: boolean;
  /** Stands in it while it is empty. */
  readonly placeholder?: string;
}

/** A labelled field for words. */
export function TextField(props: TextFieldProps) {
  const change = useLatestCallback(props.onChange);
  return <DrawnTextField {...props} onChange={change} />;
}

/** The same while nothing about it but where its words go has changed. */
const DrawnTextField = memo(function DrawnTextField(props: TextFieldProps) {
  const { label, value, onChange, message, ...rest } = props;
  const palette = usePalette();
  const messageId = useId();
  return (
    <Labelled label={label} message={message} messageId={messageId}>
      <TextInput
        {...rest}
        mode="outlined"
        dense
        aria-label={label}
        {...describedBy(message == null ? undefined : messageId)}
        value={value}
        onChangeText={onChange}
        error={message !== null && message !== undefined}
        outlineColor={palette.line}
        activeOutlineColor={palette.lake}
        style={[styles.text, { backgroundColor: palette.card }]}
        contentStyle={styles.textContent}
      />
    </Labelled>
  );
});

const styles = StyleSheet.create({
  field: { gap: space.xs },
  grid: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-start', gap: space.m },
  inGrid: { flexGrow: 1, flexShrink: 1, flexBasis: 140, minWidth: 120 },
  labelRow: { flexDirection: 'row', justifyContent: 'space-between', gap: space.s },
  unit: { flexShrink: 0 },
  choices: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  message: { flexDirection: 'row', gap: space.xs, alignItems: 'flex-start' },
  messageText: { flex: 1 },
  text: { fontFamily: fonts.text },
  textContent: { fontFamily: fonts.text, fontSize: rem(16), lineHeight: rem(20), minHeight: 48 },
});
