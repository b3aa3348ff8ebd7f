declare module 'bibtex-parse' {
  export interface FieldPart {
    readonly value: string | number;
    readonly datatype: 'quoted' | 'braced' | 'identifier' | 'number';
  }
  export interface Field {
    readonly name: string;
    readonly value: string | number | readonly FieldPart[];
    readonly datatype: 'quoted' | 'braced' | 'identifier' | 'number' | 'concatinate';
  }
  export type Item =
    | {
        readonly itemtype: 'entry';
        readonly type: string;
        readonly key: string;
        readonly fields: readonly Field[];
      }
    | ({ readonly itemtype: 'string' } & Field)
    | { readonly itemtype: 'comment' | 'preamble' };
  const parser: { parse(source: string): readonly Item[] };
  export default parser;
}
