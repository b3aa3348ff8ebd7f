/** Work that several ask for at a time is done once; whoever asks while it goes on has the same of it. */
export function oncePerKey(): <T>(key: string, work: () => Promise<T>) => Promise<T> {
  const underWay = new Map<string, Promise<unknown>>();
  return <T>(key: string, work: () => Promise<T>): Promise<T> => {
    let made = underWay.get(key) as Promise<T> | undefined;
    if (!made) {
      made = work().finally(() => underWay.delete(key));
      underWay.set(key, made);
    }
    return made;
  };
}
