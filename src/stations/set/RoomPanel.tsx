'use client';
import { WALLS } from '@/core/set/faces';
import { CAMERA_RECORD, FINISH_RECORDS, ROOM_RECORD, type Setup } from '@/core/set/setup';
import { RecordFields } from '../records/RecordFields';
import type { SetEdits } from './useSetEdits';

const GRID = 'grid grid-cols-[repeat(auto-fill,minmax(140px,1fr))] items-start gap-x-3 gap-y-2';

/** The room, what it is painted with, and the camera. */
export function RoomPanel({ setup, edits }: { setup: Setup; edits: SetEdits }) {
  return (
    <section aria-label="Room and camera" data-panel="room" className="grid gap-3">
      <div className={GRID}>
        <RecordFields
          fields={ROOM_RECORD.fields}
          record={setup.room}
          onChange={(label, set) => edits.setup(label, (draft) => set(draft.room))}
        />
      </div>
      <h2 className="text-[15px]">Camera</h2>
      <div className={GRID}>
        <RecordFields
          fields={CAMERA_RECORD.fields}
          record={setup.camera}
          onChange={(label, set) => edits.setup(label, (draft) => set(draft.camera))}
        />
      </div>
      <h2 className="text-[15px]">Paint</h2>
      <div className={GRID}>
        {WALLS.map((wall) => (
          <RecordFields
            key={wall}
            fields={FINISH_RECORDS[wall].fields}
            record={setup.room.finishes[wall]}
            onChange={(label, set) => edits.setup(label, (draft) => set(draft.room.finishes[wall]))}
          />
        ))}
      </div>
    </section>
  );
}
