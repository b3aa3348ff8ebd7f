/** Where views have gone, for tests that mount them without the router. */
export const visited: string[] = [];

/** Stands for the router's `goto`. */
export const goto = (address: string): Promise<void> => {
  visited.push(address);
  return Promise.resolve();
};
