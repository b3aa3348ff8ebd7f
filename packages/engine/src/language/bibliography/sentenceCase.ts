/** A title in lower case but for its first letter and what stands in braces (`change.case$`). */
export function sentenceCase(title: string): string {
  let out = '';
  let depth = 0;
  let first = true;
  for (let i = 0; i < title.length; i++) {
    const char = title[i] as string;
    if (char === '{') depth++;
    else if (char === '}') depth--;
    if (char === '\\') {
      const command = /^\\([a-zA-Z]+|.)/.exec(title.slice(i))?.[0] ?? char;
      out += command;
      i += command.length - 1;
      continue;
    }
    if (char === '$') {
      const end = title.indexOf('$', i + 1);
      const formula = end < 0 ? title.slice(i) : title.slice(i, end + 1);
      out += formula;
      i += formula.length - 1;
      first = false;
      continue;
    }
    const keep = depth > 0 || first || /: $/.test(out);
    out += keep ? char : char.toLowerCase();
    if (/\p{L}/u.test(char)) first = false;
  }
  return out;
}
