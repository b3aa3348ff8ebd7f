/** A piece of source kept under a name, with the packages it needs. */
export interface Fragment {
  readonly id: number;
  readonly name: string;
  readonly source: string;
  readonly packages: readonly string[];
  /** The assignment it is from. */
  readonly origin: string;
  readonly at: string;
}
