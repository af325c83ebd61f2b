import { PointerSensor, useSensor, useSensors, type SensorDescriptor, type SensorOptions } from "@dnd-kit/core";

/** So far (px) the pointer goes before a press becomes a drag. Always the same object: another one draws every row anew. */
const FAR_ENOUGH = { activationConstraint: { distance: 6 } };

/** What begins a drag in a list. */
export function useDragSensors(): SensorDescriptor<SensorOptions>[] {
  return useSensors(useSensor(PointerSensor, FAR_ENOUGH));
}
