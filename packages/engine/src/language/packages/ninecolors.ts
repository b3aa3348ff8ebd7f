import type { PackageEntry } from '../machine/entries';

/**
 * Nine steps of thirteen colours, from dark to light: each step is as light in one colour as in
 * another (CIE lightness 10 to 90), in hues near those that the package's manual shows.
 */
const STEPS: Readonly<Record<string, string>> = {
  gray: '1B1B1B 303030 474747 5E5E5E 777777 919191 ABABAB C6C6C6 E2E2E2',
  red: '3F0303 670505 910808 BE0A0A EE0D0D F65C5C F98C8C FBB4B4 FDDADA',
  brown: '2C1606 4D260B 6F3810 944A15 BA5D1B E07325 E89960 F0BC97 F8DECB',
  yellow: '211B02 393003 534604 6F5D06 8C7607 AA8F09 C9A90B E9C40C F8E37A',
  olive: '181E02 2A3403 3E4C04 526605 688007 7E9C08 95B80A ADD50B C7F319',
  green: '072102 0C3903 115204 176E06 1D8A07 23A709 2AC60A 30E50C 9BF988',
  teal: '022016 033826 045138 066C4A 07885D 09A571 0AC385 0CE29A 7FF8D0',
  cyan: '021F22 03363B 044F55 066971 08848F 09A0AD 0BBDCD 0CDBED 96F1F9',
  azure: '031C36 05315D 074786 095EB2 0C76E0 3293F4 69B0F7 9CCBFA CEE5FC',
  blue: '050C5F 08159C 0C1DDE 3343F4 5967F6 7C86F8 9DA4FA BDC3FC DEE1FD',
  violet: '250453 3E078A 570AC4 761DF3 944EF6 AB75F8 C198FA D6BBFB EADDFD',
  magenta: '360336 5A055A 7F077F A709A7 D10BD1 F432F4 F87AF8 FBABFB FDD7FD',
  purple: '3C0320 630534 8C074A B80A61 E60C79 F651A3 F986BF FBB1D6 FDD9EB',
};

/** ninecolors: colours by name and step, `azure9`. */
export const ninecolors: PackageEntry = {
  name: 'ninecolors',
  description: 'Colours in nine steps of lightness: azure1 to azure9.',
  options: null,
  requires: ['xcolor'],
  source: Object.entries(STEPS)
    .flatMap(([name, steps]) =>
      steps.split(' ').map((hex, i) => `\\definecolor{${name}${i + 1}}{HTML}{${hex}}`),
    )
    .join(''),
};
