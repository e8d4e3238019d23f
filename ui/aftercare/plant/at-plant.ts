import type { LengthUnit } from '@/core/units/length';
import type { DeviceQueue } from '@/ui/kit/device/use-device-queue';
import type { useMarks } from '../use-marks';

/** What the parts of a plant's page share: who is at it, and the device's queue. */
export interface AtPlant {
  plantId: string;
  code: string;
  me: { id: string; name: string };
  mayChange: boolean;
  unit: LengthUnit;
  queue: DeviceQueue;
  marks: ReturnType<typeof useMarks>;
}
