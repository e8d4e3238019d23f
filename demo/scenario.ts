/* A made-up guild on an island in a lake. Names of people, places, varieties and stocks are invented. */

export const CLUB = 'Tarnholm Orchard Guild';

export const LEAD = { name: 'Maren Ulvik', email: 'maren@tarnholm.example' };
export const ASSISTANT = { name: 'Joss Pelling', email: 'joss@tarnholm.example' };
export const VIEWER = { name: 'Edda Brask', email: 'edda@tarnholm.example' };

export const SITE = { name: 'Boathouse, Tarnholm', hemisphere: 'north' as const, timeZone: 'Europe/Zurich' };

export const WOOD = [
  {
    variety: 'Grey Heron',
    species: 'pear',
    source: 'guild orchard, row 3',
    sticks: 24,
    place: 'boathouse cellar',
    wrap: 'damp shavings, sealed bag',
    region: 'Tarn isles',
  },
  {
    variety: 'Lantern Bay',
    species: 'medlar',
    source: 'old tree at the ferry landing',
    sticks: 14,
    place: 'boathouse cellar',
    wrap: 'damp cloth, sealed bag',
    region: 'Tarn isles',
    protectedUntil: '2034-06-30',
    leaveWords: 'given in writing by the raiser, for the guild’s members',
  },
  {
    variety: 'Amber Jetty',
    species: 'quince',
    source: 'guild orchard, row 1',
    sticks: 12,
    place: 'on the tree until it is cut',
    region: 'Tarn isles',
  },
];

export const STOCKS = [
  { stockType: 'Reedmoor quince', species: 'quince', stocks: 70 },
  { stockType: 'Tarn seedling', species: 'pear', stocks: 40 },
];

/** Read from a CSV file like any other roster: semicolons, and not everyone gives leave or has an address. */
export const PAST_ROSTER = `name;e-mail;phone;leave to be contacted
Ona Ferrel;ona@reedmail.example;+99 70 114;yes
Bram Odewick;bram@reedmail.example;;yes
Cilla Varn;cilla@quaynet.example;+99 70 208;yes
Tomasz Irrel;tomasz@reedmail.example;;yes
Yrsa Kolm;yrsa@quaynet.example;+99 70 311;yes
Pell Andorra;pell@reedmail.example;;yes
Gitte Lowe;gitte@quaynet.example;+99 70 422;yes
Rafe Sundt;rafe@reedmail.example;;yes
Ilka Morrow;ilka@quaynet.example;;yes
Dov Hallam;dov@reedmail.example;+99 70 519;yes
Sanna Reyk;sanna@quaynet.example;;yes
Wim Tarrow;wim@reedmail.example;;yes
Old Nils Barge;;+99 70 633;yes
Petra Oake;petra@reedmail.example;;no
`;

/** How skilled each hand is at the start and how fast it learns, by seat: 0 clumsy to 1 sure. */
export const HANDS = [
  [0.55, 0.12],
  [0.35, 0.16],
  [0.6, 0.1],
  [0.2, 0.14],
  [0.45, 0.15],
  [0.3, 0.2],
  [0.65, 0.09],
  [0.15, 0.12],
  [0.5, 0.12],
  [0.4, 0.18],
  [0.7, 0.08],
  [0.25, 0.17],
  [0.8, 0.05],
  [0.35, 0.1],
] as const;

/** An old tree that the guild is changing over; heights and calipers in mm, bearings and angles in degrees. */
export const TREE = {
  tree: 'The old pear by the boathouse',
  species: 'pear',
  limbs: [
    { name: 'Lake limb', height: 1750, bearing: 200, angle: 48, caliper: 42 },
    { name: 'Path limb', height: 1500, bearing: 95, angle: 62, caliper: 55 },
    { name: 'Crow limb', height: 2100, bearing: 320, angle: 40, caliper: 34 },
    { name: 'Twin fork', height: 1900, bearing: 250, angle: 18, caliper: 38 },
    { name: 'Ladder limb', height: 1150, bearing: 30, angle: 70, caliper: 48 },
  ],
};
