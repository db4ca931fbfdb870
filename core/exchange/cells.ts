/** Words that a spreadsheet would run as a formula get an apostrophe before them, and lose it on the way back. */
export const guarded = (text: string) => (/^'*[=+\-@\t]/.test(text) ? `'${text}` : text);
export const unguarded = (text: string) => (/^'+[=+\-@\t]/.test(text) ? text.slice(1) : text);
