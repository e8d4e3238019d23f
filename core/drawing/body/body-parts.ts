import type { Layer } from './body-mesh';
import type { Frame } from './frame';

/** Pieces as meshes, as they are sent to whoever looks at them from all sides; mm. */
export interface BodyParts {
  joined: boolean;
  pieces: {
    name: string;
    layers: { layer: Layer; places: number[]; triangles: number[] }[];
    /** Where it lies with the joint closed, and opened. */
    closed: Frame;
    opened: Frame;
  }[];
}
