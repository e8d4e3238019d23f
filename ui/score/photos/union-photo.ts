import type { PhotoScale } from '@/core/score/photos/photo-scale';

/** A photo of a union, with the scale its picture was given. */
export interface UnionPhoto {
  id: string;
  width: number;
  height: number;
  scale: PhotoScale | null;
  version: number;
}
