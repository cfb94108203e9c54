import type { Room } from '@/storage/sessions/room';

/** A part of the page: the room as it is, and changing it. */
export interface RoomProps {
  room: Room;
  onChange: (part: Partial<Room>) => void;
}
