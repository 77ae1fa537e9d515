/**
 * Puts down what comes one by one: the first at once, and all that comes while something is being put down together
 * after it. What has come is down a moment later, and hundreds of them are a few statements.
 */
export class PutDown<T> {
  private some: T[] = [];
  private going: Promise<void> | null = null;
  private fault: { readonly error: unknown } | null = null;

  constructor(private readonly put: (some: readonly T[]) => Promise<void>) {}

  add(one: T): void {
    this.some.push(one);
    this.going ??= this.go();
  }

  private async go(): Promise<void> {
    while (this.some.length > 0) {
      const { some } = this;
      this.some = [];
      await this.put(some).catch((error: unknown) => (this.fault ??= { error }));
    }
    this.going = null;
  }

  /** @throws what went wrong first, when everything else is down. */
  async done(): Promise<void> {
    await this.going;
    if (this.fault) throw this.fault.error;
  }
}
