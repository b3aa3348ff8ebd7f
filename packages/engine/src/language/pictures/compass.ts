/** The anchors that look back at a node from around it, by eighths of a turn from its east. */
const LOOKING_BACK = [
  'west',
  'south west',
  'south',
  'south east',
  'east',
  'north east',
  'north',
  'north west',
] as const;

/** The anchor of a label that looks towards its node from an angle (degrees): a side at a quarter turn, a corner between. */
export function facing(angle: number): string {
  const quarters = (((angle % 360) + 360) % 360) / 90;
  const eighth = Number.isInteger(quarters) ? 2 * quarters : 2 * Math.floor(quarters) + 1;
  return LOOKING_BACK[eighth] as string;
}

/** The anchor of words at the far end of an arrow that leads off at an angle (degrees): the nearest. */
export function anchorAway(angle: number): string {
  return LOOKING_BACK[Math.round((((angle % 360) + 360) % 360) / 45) % 8] as string;
}
