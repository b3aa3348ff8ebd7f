import { ElementReader, type Element } from '../boxes/elements';
import type { FlowBlock, FlowPosition } from './page';

/** An element and the place it came from. */
export interface Located {
  readonly element: Element;
  readonly at: FlowPosition;
}

/** Reads the main vertical list from a place on. */
export class Flow {
  private readonly pending: Located[] = [];
  private readonly reader = new ElementReader();

  constructor(
    private readonly blocks: readonly FlowBlock[],
    public at: FlowPosition,
  ) {}

  next(): Located | null {
    for (;;) {
      const waiting = this.pending.shift();
      if (waiting) return waiting;
      const block = this.blocks[this.at.block];
      if (!block) return null;
      const item = block.items[this.at.item];
      if (!item) {
        this.at = { block: this.at.block + 1, item: 0 };
        continue;
      }
      const { at } = this;
      this.at = { block: at.block, item: at.item + 1 };
      for (const element of this.reader.take(item)) this.pending.push({ element, at });
    }
  }
}
