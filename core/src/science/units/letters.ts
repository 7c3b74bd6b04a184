/** With a capital, as a sentence begins. @example capital('the pot') // 'The pot' */
export const capital = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
/** Without one, as it stands within a sentence. @example lower('Kefir grains') // 'kefir grains' */
export const lower = (words: string): string => `${words.charAt(0).toLowerCase()}${words.slice(1)}`;
