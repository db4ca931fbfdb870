import type { Moment, Stretch } from '../../core/dose/index.ts';

const WORDS: Record<Moment, string> = {
  ready: 'Get ready',
  lowering: 'Lower',
  bottom: 'Stay low',
  rising: 'Rise',
  top: 'Stay up',
  work: 'Work',
  hold: 'Hold',
  rest: 'Rest',
};

/** "Lower", or "Work, left". */
export const momentWord = (s: Pick<Stretch, 'moment' | 'side'>): string =>
  s.side && (s.moment === 'work' || s.moment === 'hold') ? `${WORDS[s.moment]}, ${s.side}` : WORDS[s.moment];

/** "0:42". */
export const minutes = (s: number): string => {
  const whole = Math.ceil(s);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
};
