/** Cautions by what they are about. They stand where they apply; local codes and the club's rules come first. */
export const CAUTIONS = {
  'long-cut': {
    title: 'Long cuts',
    text: 'Cut away from the body with elbows locked, thumb behind the edge, a cut-resistant glove on the holding hand. Stand an arm’s length from your neighbours.',
  },
  'bud-cut': {
    title: 'Bud cuts',
    text: 'Thumb below the cut, and stop the blade short of it. Glove on the holding hand.',
  },
  'hands-meet': {
    title: 'Knife down',
    text: 'Close the knife or lay it down before both hands meet at the join. Nothing is held in the mouth.',
  },
  'tongue-cut': {
    title: 'Tongues',
    text: 'Rock the blade in slowly; never push it towards the hand that holds. A split that runs lets the blade jump.',
  },
  saw: {
    title: 'Sawing limbs',
    text: 'Glove on the holding hand. Undercut first so that the bark does not tear, and stand clear of the drop. Ladders, power saws and power lines are for trained people under local rules.',
  },
  driven: {
    title: 'Driven blades',
    text: 'Glove on. Never drive a blade, chisel or screwdriver towards the holding hand; knock from above with the hand out of line.',
  },
  shears: {
    title: 'Shears',
    text: 'Keep the fingers that hold the wood clear of the blades, and latch the shears before you lay them down.',
  },
  'flap-shears': {
    title: 'Shears near fingers',
    text: 'Keep the fingers that hold the flaps clear of the shears.',
  },
  disinfectant: {
    title: 'Disinfectant',
    text: 'Bleach, alcohol and flame: air the room, wear gloves, guard the eyes, never mix bleach with acids or ammonia, keep flame away from alcohol. Rinse blades. Read the label.',
  },
  sealant: {
    title: 'Wax and sealants',
    text: 'Read the label. Hot wax burns; solvents need air. Pesticides and fungicides may need a licensed person: local law decides.',
  },
  'hot-wax': {
    title: 'Hot wax',
    text: 'It burns skin and can catch fire. Melt it in a water bath, outdoors or well aired, never over a flame; a lid at hand, no water near burning wax. Try its warmth on the back of the brush hand’s glove, not on the graft.',
  },
  sap: {
    title: 'Sap on the skin',
    text: 'Sap of fig and mango kin and walnut husks irritate the skin: gloves, and wash before going into the sun.',
  },
  nail: { title: 'Nails', text: 'Note where a nail stays in the wood, for whoever saws there one day.' },
} as const;

export type CautionId = keyof typeof CAUTIONS;
