/** Today before it is read: the shape of what comes. */
import { Area, Skeleton } from '../kit';

export const TodaySkeleton = () => (
  <Area label="People to contact" shape="lead" empty={<Skeleton lines={8} height={28} label="Loading the contact" />}>
    <Skeleton lines={2} height={32} label="Loading today" />
    <Skeleton lines={12} height={44} label="Loading people" />
  </Area>
);
