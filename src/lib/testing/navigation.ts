/** Where views have gone, for tests that mount them without the router. */
export const visited: string[] = [];

/** Stands for the router's `goto`. */
export const goto = (address: string): Promise<void> => {
  visited.push(address);
  return Promise.resolve();
};

/** Stands for the router's `invalidateAll`: how often what was loaded was loaded anew. */
export const reloads = { count: 0 };
export const invalidateAll = (): Promise<void> => {
  reloads.count++;
  return Promise.resolve();
};
