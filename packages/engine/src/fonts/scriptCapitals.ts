/** The script capitals from A on; eight of them had a place in Unicode before the others. */
export const SCRIPT_CAPITALS: readonly string[] = [...'𝒜ℬ𝒞𝒟ℰℱ𝒢ℋℐ𝒥𝒦ℒℳ𝒩𝒪𝒫𝒬ℛ𝒮𝒯𝒰𝒱𝒲𝒳𝒴𝒵'];
