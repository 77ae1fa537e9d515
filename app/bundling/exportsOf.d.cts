interface Made {
  readonly file: string;
  readonly name: string;
}
export function fileAt(path: string): string | null;
export function finder(
  parse: (text: string, name: string) => unknown,
): (source: string, from: string, name: string) => Made | null;
