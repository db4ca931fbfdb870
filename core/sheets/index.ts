export * from './job.ts';
export * from './on-paper.ts';
export * from './draws-on.ts';
export * from './warm-up.ts';
export * from './log-rows.ts';
export * from './paper-row.ts';
