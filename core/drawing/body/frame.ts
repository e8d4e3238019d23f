/** A place or direction, mm: u towards the front, w to the right, y upwards. */
export type Place3 = readonly [u: number, w: number, y: number];

/** Where something lies: its own origin, and its own axes u, w and y as unit vectors at right angles. */
export interface Frame {
  at: Place3;
  axes: readonly [Place3, Place3, Place3];
}

export const HERE: Frame = {
  at: [0, 0, 0],
  axes: [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ],
};

export const dot = (a: Place3, b: Place3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];

/** A direction of a frame as seen from outside it. */
export function turned({ axes: [u, w, y] }: Frame, p: Place3): Place3 {
  return [
    u[0] * p[0] + w[0] * p[1] + y[0] * p[2],
    u[1] * p[0] + w[1] * p[1] + y[1] * p[2],
    u[2] * p[0] + w[2] * p[1] + y[2] * p[2],
  ];
}

/** A place of a frame as seen from outside it. */
export function outOf(frame: Frame, p: Place3): Place3 {
  const q = turned(frame, p);
  return [q[0] + frame.at[0], q[1] + frame.at[1], q[2] + frame.at[2]];
}

/** A place outside as seen from within a frame. */
export function into({ at, axes: [u, w, y] }: Frame, p: Place3): Place3 {
  const q: Place3 = [p[0] - at[0], p[1] - at[1], p[2] - at[2]];
  return [dot(u, q), dot(w, q), dot(y, q)];
}

/** A frame that lies in another, as seen from outside both. */
export function within(outer: Frame, inner: Frame): Frame {
  const [u, w, y] = inner.axes;
  return { at: outOf(outer, inner.at), axes: [turned(outer, u), turned(outer, w), turned(outer, y)] };
}

/** Turned about its own upright axis, degrees from the front towards the right, then set down. */
export function aboutUpright(degrees: number, at: Place3 = [0, 0, 0]): Frame {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return {
    at,
    axes: [
      [cos, sin, 0],
      [-sin, cos, 0],
      [0, 0, 1],
    ],
  };
}

/** Leant over to the front by so many degrees, then set down. */
export function leant(degrees: number, at: Place3 = [0, 0, 0]): Frame {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return {
    at,
    axes: [
      [cos, 0, -sin],
      [0, 1, 0],
      [sin, 0, cos],
    ],
  };
}
