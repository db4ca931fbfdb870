import { handlers } from '../endpoint.ts';
import { fitForPerson } from './fit.ts';

export const fitRoutes = handlers({
  fit: (c) => fitForPerson(c),
});
