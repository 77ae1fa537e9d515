/** To whom a letter is. */
export interface Receiver {
  readonly id: string;
  readonly name: string;
  readonly contactable: boolean;
}
