import { movedWays, type Finding, type RawFinding } from '../findings/finding';
import { filled } from '../findings/entry';
import { FINDINGS } from '../findings/kinds';

/** A finding and where the block that it counts from starts. */
export interface BlockFinding {
  readonly start: number;
  readonly raw: RawFinding;
}

/** A finding in words, with offsets into its file; `length` is that of the text. */
export function worded({ start, raw }: BlockFinding, mainFile: string, length: number): Finding {
  const { severity, message, cause } = FINDINGS[raw.code];
  const clamp = (at: number): number => Math.max(0, Math.min(length, start + at));
  const from = raw.inFile?.from ?? clamp(raw.from);
  const finding: Finding = {
    kind: raw.code,
    severity,
    file: raw.inFile?.name ?? mainFile,
    from,
    to: Math.max(from, raw.inFile?.to ?? clamp(raw.to)),
    message: filled(message, raw.args),
    cause: filled(cause, raw.args),
  };
  return { ...finding, ...movedWays(raw, clamp) };
}
