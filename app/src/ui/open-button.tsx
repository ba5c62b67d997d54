import { Button } from './button';

interface OpenButtonProps {
  /** What it opens stands open. */
  readonly isOpen: boolean;
  /** What it says while the card is closed. */
  readonly label: string;
  /** Called with what it is to be. */
  readonly onToggle: (isOpen: boolean) => void;
}

/** Opens the rest of a card, and closes it again. */
export function OpenButton({ isOpen, label, onToggle }: OpenButtonProps) {
  return (
    <Button
      kind="quiet"
      label={isOpen ? 'Close' : label}
      icon={isOpen ? 'chevron-up' : 'chevron-down'}
      onPress={() => onToggle(!isOpen)}
    />
  );
}
