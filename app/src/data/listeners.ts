/** Those who want to know when something changes, as `useSyncExternalStore` subscribes them. */
export class Listeners {
  private readonly all = new Set<() => void>();

  readonly subscribe = (listener: () => void): (() => void) => {
    this.all.add(listener);
    return () => this.all.delete(listener);
  };

  tell(): void {
    this.all.forEach((listener) => listener());
  }
}
