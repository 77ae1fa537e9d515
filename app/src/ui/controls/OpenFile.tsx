import { Action } from './Controls';

interface Asking {
  readonly label: string;
  /** Endings, such as `.csv`. */
  readonly accept: string;
  /** What it is for, where the label does not say it to who cannot see the place. */
  readonly hint?: string;
}

/** Asks for a file of this computer. */
export function PickFile({
  label,
  accept,
  hint,
  busy = false,
  onFile,
}: Asking & { busy?: boolean; onFile: (file: File) => void }) {
  const choose = () => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.onchange = () => {
      const [file] = input.files ?? [];
      if (file) onFile(file);
    };
    input.click();
  };
  return <Action label={label} {...(hint ? { hint } : {})} busy={busy} onPress={choose} />;
}

/** Asks for a file of this computer and hands its text on. */
export function OpenFile({ onText, ...asking }: Asking & { onText: (name: string, text: string) => void }) {
  return <PickFile {...asking} onFile={(file) => void file.text().then((text) => onText(file.name, text))} />;
}
