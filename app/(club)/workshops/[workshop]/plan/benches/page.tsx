import { counted } from '@/core/units/counted';
import type { Metadata } from 'next';
import { dayBlocks, roomOf } from '@/server/plan/bench-plan';
import { listMembers } from '@/server/club/members';
import { quantities } from '@/server/plan/quantities';
import { listSeats } from '@/server/plan/seats';
import { seatSkills } from '@/server/plan/skill';
import { DayBoard } from '@/ui/plan/benches/day-board';
import { RoomBoard } from '@/ui/plan/benches/room-board';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';

export const metadata: Metadata = { title: 'Benches' };

export default async function PlanBenches({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const amounts = await orNotFound(quantities(context, id));
  const [seats, skills, members, { day, blocks }] = await Promise.all([
    listSeats(context, id),
    seatSkills(context, id),
    listMembers(context),
    dayBlocks(context, id, amounts),
  ]);
  const room = await roomOf(context, id, seats, amounts.plan.settings.peoplePerBench, amounts.people);
  const present = seats.filter(({ absent }) => !absent);
  const left = present.filter(({ leftHanded }) => leftHanded).length;
  const mayChange = context.actor.role !== 'viewer';
  return (
    <div className="flex flex-col gap-6">
      <div>
        <h1>Benches and the day</h1>
        <p className="text-muted">
          {counted(present.length, 'person', 'people')}:{' '}
          {counted(present.length - left, 'right-handed knife', 'right-handed knives')}, {left} left-handed. A blade is
          bevelled on one side, so a left hand needs its own.
        </p>
      </div>
      <RoomBoard
        key={seats.length}
        workshopId={id}
        version={room.version}
        room={room.body}
        unit={context.actor.lengthUnit}
        mayChange={mayChange}
        members={members.map(({ name }) => name)}
        seats={present.map(({ id: seatId, number, person, leftHanded }) => ({
          id: seatId,
          number,
          name: person.name ?? 'Erased person',
          leftHanded,
          skill: skills.get(seatId)!.level,
          earlier: skills.get(seatId)!.earlier,
        }))}
      />
      <DayBoard
        workshopId={id}
        version={day.version}
        day={day.body}
        blocks={blocks.blocks}
        overrun={blocks.overrun}
        mayChange={mayChange}
      />
    </div>
  );
}
