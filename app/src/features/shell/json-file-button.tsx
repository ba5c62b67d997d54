import type { readChange } from '@calvet/contract/changes/read-change';
import { UnreadableFile } from '@calvet/contract/json-file';
import { useState } from 'react';
import { FieldMessage } from '../../ui/field';
import { FileButton } from '../../ui/file-button';
import { Text } from '../../ui/text';

/** What checks a record as the server does is large and seldom needed: it is fetched with the first file. */
const fetchReader = async () => (await import('@calvet/contract/changes/read-change')).readChange;

interface JsonFileButtonProps {
  readonly label: string;
  /** What the file is, for who cannot see the button. */
  readonly fileLabel: string;
  /** A file of more is no file of this kind. */
  readonly bytesMax: number;
  /** Takes what is in a file; gives back what is to be said of it. @throws {UnreadableFile} */
  readonly onText: (text: string, read: typeof readChange) => string | null;
}

/** Takes one JSON file of this device, and says why where it cannot be taken. */
export function JsonFileButton({ label, fileLabel, bytesMax, onText }: JsonFileButtonProps) {
  const [message, setMessage] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const take = async (file: File): Promise<void> => {
    setSaid(null);
    if (file.size > bytesMax) {
      setMessage(
        `${file.name} has ${(file.size / 1e6).toFixed(1)} MB; such a file needs less than ${bytesMax / 1e6} MB. Choose the one that is meant.`,
      );
      return;
    }
    try {
      setSaid(onText(await file.text(), await fetchReader()));
      setMessage(null);
    } catch (error) {
      if (error instanceof UnreadableFile) setMessage(error.message);
      else setMessage('This device does not have what reads such a file yet: try again with a signal.');
    }
  };
  return (
    <>
      <FileButton
        label={label}
        icon="file-upload-outline"
        fileLabel={fileLabel}
        accept="application/json,.json"
        onFile={(file) => void take(file)}
      />
      {said !== null && <Text role="status">{said}</Text>}
      <FieldMessage message={message} />
    </>
  );
}
