import { useRef } from 'react';
import { Button } from './button';
import type { IconName } from './icon-font/icon-set';

interface FileButtonProps {
  /** What the file is for. */
  readonly label: string;
  /** Before the words. */
  readonly icon?: IconName;
  /** What the file is, for who cannot see the button. */
  readonly fileLabel: string;
  /** Kinds of file, as a browser takes them. */
  readonly accept: string;
  /** Called with the file that was chosen. */
  readonly onFile: (file: File) => void;
}

/** Asks for one file of this device. */
export function FileButton({ label, icon, fileLabel, accept, onFile }: FileButtonProps) {
  const picker = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button label={label} icon={icon} onPress={() => picker.current?.click()} />
      <input
        ref={picker}
        type="file"
        accept={accept}
        aria-label={fileLabel}
        style={{ display: 'none' }}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          // The same file may be chosen again.
          event.target.value = '';
          if (file !== undefined) onFile(file);
        }}
      />
    </>
  );
}
