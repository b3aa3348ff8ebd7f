import { textOf } from '../../expansion/tokenText';
import { type PackageEntry, tokensOf } from '../machine/entries';
import { optionWords } from '../scanning/optionWords';

/** thmtools: theorems declared by keys; what amsthm can do of it. */
export const thmtools: PackageEntry = {
  name: 'thmtools',
  description: 'Kinds of theorems by names and values.',
  options: null,
  commands: [
    {
      name: 'declaretheorem',
      signature: 'omo',
      description: 'A kind of theorem: its name, what it is numbered with or within, its style.',
      example: '\\declaretheorem[name=Tide]{tide}',
      package: 'thmtools',
      run: (it, args) => {
        const words = { ...optionWords(tokensOf(args, 0)), ...optionWords(tokensOf(args, 2)) };
        for (const name of textOf(it.p, tokensOf(args, 1)).split(',')) {
          const key = name.trim();
          const title =
            words.name ??
            words.title ??
            words.heading ??
            key.charAt(0).toUpperCase() + key.slice(1);
          const shared = words.sibling ?? words.numberlike ?? words.sharenumber;
          const within = words.numberwithin ?? words.within ?? words.parent;
          const style = words.style ? `\\theoremstyle{${words.style}}` : '';
          const star = words.numbered === 'no' || words.numbered === 'false' ? '*' : '';
          const body = shared
            ? `{${key}}[${shared}]{${title}}`
            : `{${key}}{${title}}${within ? `[${within}]` : ''}`;
          it.execute(it.source(`${style}\\newtheorem${star}${body}`));
        }
      },
    },
  ],
};
