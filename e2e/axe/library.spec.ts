import { checkViews, heading, region } from './axe.ts';

const sheet = (name: string | RegExp) => heading(name, 1);

checkViews([
  ['/library', (p) => p.getByRole('list', { name: 'Variations' }).locator('svg.fig-icon')],
  ['/library/variation/bench-thrust', (p) => p.locator('.fig-movement svg')],
  ['/library?kind=cue', (p) => p.getByRole('list', { name: 'Cues' }).getByRole('link')],
  ['/library?q=squat&pattern=squat', (p) => p.getByRole('list', { name: 'Variations' }).getByRole('link')],
  [
    '/library/variation/back-squat?instead=yes&without=bar-and-rack',
    (p) => region('What can be given instead')(p).getByRole('listitem'),
  ],
  ['/library/cue/tray', heading(/^Stands on/)],
  ['/library/fault/ribs-flare', sheet(/./)],
  ['/library/houseQuestion/breathing', sheet(/./)],
  ['/library/houseQuestion/knee-travel', (p) => region('What the answers ask')(p).getByRole('row')],
]);
