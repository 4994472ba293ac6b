import type { Working } from '@/core/evaluate/readout';
import { ORIGIN_WORDS } from '@/core/origin';

interface InputsProps {
  working: Working;
  write: (value: number, dimension: never) => string;
}

/** What went into the figure, each with where it comes from. */
export const Inputs = ({ working, write }: InputsProps) => (
  <table className="rows w-full text-sm">
    <tbody>
      {working.inputs.map((input) => (
        <tr key={input.symbol + input.name}>
          <td className="figure whitespace-nowrap">{input.symbol}</td>
          <td>{input.name}</td>
          <td className="num">{write(input.value, input.dimension as never)}</td>
          <td className="text-ink-soft">{ORIGIN_WORDS[input.origin]}</td>
        </tr>
      ))}
    </tbody>
  </table>
);
