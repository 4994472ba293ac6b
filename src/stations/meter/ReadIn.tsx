import { FigureIn } from './FigureIn';

interface ReadInProps {
  /** where the meter is held now */
  label: string;
  onRead: (lux: number) => string | null;
  /** what the press that keeps it is called */
  button?: string;
  /** other ways to come by a reading */
  children?: React.ReactNode;
}

const MOST_LX = 1e7;

/** Light typed where it is taken: Enter keeps it, and the next place is asked for. */
export const ReadIn = (props: ReadInProps) => (
  <FigureIn unit="lx" dimension="illuminance" most={MOST_LX} {...props} />
);
