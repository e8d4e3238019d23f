/** What one union uses up. */
export interface Material {
  id: string;
  name: string;
  amount: number;
  unit: 'piece' | 'mm' | 'g';
  /** For tape: width, overlap as a share of the width, stretch as a share, and the length of wrap, mm. */
  wrap?: { width: number; overlap: number; stretch: number; length: number };
  /** What is due on it later. */
  care: 'look' | 'slit' | 'take off' | 'rots' | 'reseal' | 'note' | 'none';
}
