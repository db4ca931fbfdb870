import { allOrNothing, handlers } from '../endpoint.ts';
import { dropMeasurement, eyeChecked, eyeOf, keepConsent, keepMeasurement, trackOf } from './store.ts';
import { keepTrial, trialsOf } from './trials.ts';

export const eyeRoutes = handlers({
  eye: (c) => eyeOf(c),
  keepConsent: async (c) => {
    await allOrNothing(c, (tx) => keepConsent(tx, c.body));
    return { ok: true as const };
  },
  keepMeasurement: async (c) => {
    await allOrNothing(c, (tx) => keepMeasurement(tx, c.params.id, c.body));
    return { receivedAt: c.at.toISOString() };
  },
  dropMeasurement: async (c) => {
    await allOrNothing(c, (tx) => dropMeasurement(tx, c.params.id));
    return { ok: true as const };
  },
  measuredTrack: (c) => trackOf(c, c.params.id),
  keepTrial: async (c) => {
    await allOrNothing(c, (tx) => keepTrial(tx, c.params.id, c.body));
    return { ok: true as const };
  },
  trials: (c) => trialsOf(c),
  eyeChecked: (c) => eyeChecked(c.db),
});
