/** How days may be written: the language of their names and the order of their parts; `iso` is 2026-11-30. */
export const DATE_STYLES = {
  'en-GB': 'English, day first: Mon 30 Nov',
  'en-US': 'English, month first: Mon, Nov 30',
  iso: 'numbers alone: 2026-11-30',
  cs: 'čeština',
  da: 'dansk',
  de: 'Deutsch',
  es: 'español',
  fi: 'suomi',
  fr: 'français',
  it: 'italiano',
  nb: 'norsk',
  nl: 'Nederlands',
  pl: 'polski',
  pt: 'português',
  sv: 'svenska',
} as const;
export type DateStyle = keyof typeof DATE_STYLES;
