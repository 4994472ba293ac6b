const NAMED: Record<string, string> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};

/** Words as they stand in a page. */
export const escaped = (words: string): string => words.replace(/[&<>"']/g, (sign) => NAMED[sign]!);
