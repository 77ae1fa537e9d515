import { Action } from './Controls';

/** Asks for a file of this computer and hands its text on. */
export function OpenFile({
  label,
  accept,
  onText,
}: {
  label: string;
  /** Endings, such as `.csv`. */
  accept: string;
  onText: (name: string, text: string) => void;
}) {
  const choose = () => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.onchange = () => {
      const [file] = input.files ?? [];
      if (file) void file.text().then((text) => onText(file.name, text));
    };
    input.click();
  };
  return <Action label={label} onPress={choose} />;
}
