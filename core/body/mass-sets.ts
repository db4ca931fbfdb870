/** Share of body mass and centre from the proximal end as a share of segment length. */
export interface SegmentMass {
  fraction: number;
  centre: number;
}

/** Masses of one foot, shank, thigh and arm (shoulder to wrist), and of the trunk seen in two ways. */
export interface MassSet {
  name: 'reference' | 'women' | 'men';
  source: string;
  certainty: 'high' | 'medium' | 'low';
  /** The foot's centre is placed by posture, not along its length. */
  foot: { fraction: number };
  shank: SegmentMass;
  thigh: SegmentMass;
  arm: SegmentMass;
  /** From the hip towards the shoulder, as a share of the hip–shoulder length. */
  trunkHead: SegmentMass;
  head: { fraction: number };
  trunk: SegmentMass;
  pelvis: SegmentMass;
}

/** Dempster via Winter, Biomechanics and Motor Control of Human Movement, table 4.1 (from memory). */
export const REFERENCE: MassSet = {
  name: 'reference',
  source: 'Dempster via Winter, table 4.1 (from memory)',
  certainty: 'high',
  foot: { fraction: 0.0145 },
  shank: { fraction: 0.0465, centre: 0.433 },
  thigh: { fraction: 0.1, centre: 0.433 },
  arm: { fraction: 0.05, centre: 0.53 },
  trunkHead: { fraction: 0.578, centre: 0.66 },
  head: { fraction: 0.081 },
  trunk: { fraction: 0.497, centre: 0.5 },
  pelvis: { fraction: 0.142, centre: 0.15 },
};

/** de Leva 1996, table 4 (from memory): masses of high, centres of medium certainty. */
export const MEN: MassSet = {
  name: 'men',
  source: 'de Leva 1996, table 4, men (from memory)',
  certainty: 'medium',
  foot: { fraction: 0.0137 },
  shank: { fraction: 0.0433, centre: 0.4459 },
  thigh: { fraction: 0.1416, centre: 0.4095 },
  arm: { fraction: 0.0494, centre: 0.517 },
  trunkHead: { fraction: 0.504, centre: 0.696 },
  head: { fraction: 0.0694 },
  trunk: { fraction: 0.4346, centre: 0.585 },
  pelvis: { fraction: 0.1117, centre: 0.113 },
};

/** de Leva 1996, table 4 (from memory): masses of high, centres of medium certainty. */
export const WOMEN: MassSet = {
  name: 'women',
  source: 'de Leva 1996, table 4, women (from memory)',
  certainty: 'medium',
  foot: { fraction: 0.0129 },
  shank: { fraction: 0.0481, centre: 0.4416 },
  thigh: { fraction: 0.1478, centre: 0.3612 },
  arm: { fraction: 0.0449, centre: 0.497 },
  trunkHead: { fraction: 0.4925, centre: 0.693 },
  head: { fraction: 0.0668 },
  trunk: { fraction: 0.4257, centre: 0.583 },
  pelvis: { fraction: 0.1247, centre: 0.185 },
};

export const MASS_SETS: Readonly<Record<MassSet['name'], MassSet>> = {
  reference: REFERENCE,
  women: WOMEN,
  men: MEN,
};
