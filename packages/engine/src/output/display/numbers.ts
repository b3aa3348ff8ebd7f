/** Numbers gathered before their count is known; the room is kept for the next time. */
export class Numbers {
  length = 0;
  private data = new Float64Array(64);

  push(value: number): void {
    if (this.length === this.data.length) {
      const more = new Float64Array(2 * this.length);
      more.set(this.data);
      this.data = more;
    }
    this.data[this.length++] = value;
  }

  /** Four numbers: a place and a size, a linear map, shares of four edges. */
  push4(a: number, b: number, c: number, d: number): void {
    this.push(a);
    this.push(b);
    this.push(c);
    this.push(d);
  }

  clear(): void {
    this.length = 0;
  }

  /** What was gathered, in an array of its own of the given kind. */
  as<T>(kind: new (values: ArrayLike<number>) => T): T {
    return new kind(this.data.subarray(0, this.length));
  }
}
