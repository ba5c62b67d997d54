import { TextField } from './field';

interface SaidFieldProps {
  /** Stands over it. */
  readonly label: string;
  /** Null: nothing is said. */
  readonly value: string | null;
  /** In signs. */
  readonly maxLength: number;
  /** It may take several lines. */
  readonly multiline?: boolean;
  /** What is to be said in it. */
  readonly message?: string | null;
  /** Called with null where nothing is left. */
  readonly onChange: (text: string | null) => void;
}

/** Words that may be left out: an empty field says nothing. */
export function SaidField({ value, onChange, multiline = true, ...rest }: SaidFieldProps) {
  return (
    <TextField
      {...rest}
      multiline={multiline}
      value={value ?? ''}
      onChange={(text) => onChange(text === '' ? null : text)}
    />
  );
}
