/** The tolerant reader of a source's shape, for those who look at one without carrying it out. */
export * from './environmentKinds';
export * from './shape';
