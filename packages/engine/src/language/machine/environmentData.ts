import type { CellOf } from '../../expansion/cells';
import type { Span } from '../../base/spans';
import type { OpenEnvironment } from './environments';

/** What the begin of an environment leaves for its end, each thing declared once with its type. */
export class EnvironmentData {
  private readonly values = new Map<string, unknown>();

  get<T>(cell: CellOf<T>): T {
    const value = this.values.get(cell.name);
    // Set through `set` alone.
    return value === undefined ? cell.start : (value as T);
  }

  set<T>(cell: CellOf<T>, value: T): void {
    this.values.set(cell.name, value);
  }
}

/** What stands for the environment that is open where none is. */
export const noEnvironment = (span: Span, groups: number): OpenEnvironment => ({
  name: '',
  span,
  entry: null,
  groups,
  data: new EnvironmentData(),
});
