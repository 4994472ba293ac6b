'use client';
import { amountText, type Purchase } from '@/core/shop/purchase';
import type { Piece } from '@/core/build/pieces';
import { moneyFormatter, shopLength, type UnitSystem } from '@/core/quantity';
import { useProduction } from '../store/context';
import { OwnIt } from '../records/OwnIt';
import { useDevice } from '@/ui/device';
import { Heads } from '@/ui/Heads';

interface MoneyTableProps {
  purchase: Purchase;
  /** null for several builds together */
  copies: number | null;
  /** pieces nobody has chosen a material for */
  unchosen: readonly Piece[];
}

/** Needed → packs → left over, with what must still be spent and what it would cost from nothing. */
export default function MoneyTable({ purchase, copies, unchosen }: MoneyTableProps) {
  const { units } = useDevice();
  const currency = useProduction((state) => state.document.currency);
  const taxIncluded = useProduction((state) => state.document.taxIncluded);
  const money = moneyFormatter(currency);
  return (
    <section>
      <h2 className="mb-1 text-lg">
        {copies === null
          ? 'Shopping for all of them'
          : `Shopping for ${copies} ${copies === 1 ? 'light' : 'lights'}`}
      </h2>
      {purchase.lines.length === 0 && <p>Nothing chosen yet: pick lamps and materials in Build.</p>}
      <div className="relative overflow-x-auto">
        <table className="rows w-full text-sm">
          <Heads
            of={[
              'What',
              { figures: 'needed' },
              { figures: 'on hand' },
              { figures: 'packs to buy' },
              { figures: 'left over' },
              { figures: 'now' },
              { figures: 'full' },
            ]}
          />
          <tbody>
            {purchase.lines.map((line) => (
              <MoneyRow key={line.key} line={line} money={money} units={units} />
            ))}
            {unchosen.map((piece) => (
              <tr key={`open ${piece.id}`}>
                <td>
                  To choose: {piece.name}
                  <span className="block text-[12.5px] text-ink-soft">
                    {piece.kind === 'stick'
                      ? shopLength(piece.lengthM, units)
                      : `${shopLength(piece.widthM, units)} × ${shopLength(piece.heightM, units)}`}
                    ; nothing is chosen to cut it from
                  </span>
                </td>
                <td className="num">{piece.count * (copies ?? 1)}</td>
                <td colSpan={3} />
                <td className="num">no price</td>
                <td className="num">–</td>
              </tr>
            ))}
          </tbody>
          <tfoot>
            <tr>
              <th scope="row" colSpan={5}>
                Together, tax {taxIncluded ? 'included' : 'not included'};{' '}
                {copies !== null && `${money(purchase.fullPerLightMinor)} in full for each light`}
              </th>
              <td className="num font-semibold">{money(purchase.spentNowMinor)}</td>
              <td className="num font-semibold">{money(purchase.fullMinor)}</td>
            </tr>
          </tfoot>
        </table>
      </div>
      <Sums purchase={purchase} money={money} each={copies !== null} />
      {purchase.unpriced > 0 && (
        <p className="mt-2 text-sm text-look">
          {purchase.unpriced} {purchase.unpriced === 1 ? 'thing has' : 'things have'} no price on
          the shelf; the sums are that much too low.
        </p>
      )}
    </section>
  );
}

type Money = ReturnType<typeof moneyFormatter>;

interface MoneyRowProps {
  line: Purchase['lines'][number];
  money: Money;
  units: UnitSystem;
}

function MoneyRow({ line, money, units }: MoneyRowProps) {
  const { of, needed, onHand } = line;
  return (
    <tr data-line={line.key}>
      <td>
        {line.name}
        <span className="block text-[12.5px] text-ink-soft">{line.why}</span>
      </td>
      <td className="num">{amountText(needed, line.measure, units)}</td>
      <td className="num">
        {amountText(onHand, line.measure, units)}
        {of && onHand < needed && (
          <OwnIt of={of} name={line.name} needed={needed} className="no-print ml-2" />
        )}
      </td>
      <td className="num">
        {line.packsNow} of {amountText(line.packSize, line.measure, units)}
      </td>
      <td className="num">{amountText(line.leftOver, line.measure, units)}</td>
      <td className="num">{line.priced ? money(line.spentNowMinor) : 'no price'}</td>
      <td className="num">{line.priced ? money(line.fullMinor) : '–'}</td>
    </tr>
  );
}

interface SumsProps {
  purchase: Purchase;
  money: Money;
  each: boolean;
}

const Sums = ({ purchase, money, each }: SumsProps) => (
  <dl className="mt-4 grid max-w-md grid-cols-[1fr_auto] gap-x-6 text-sm">
    <dt>Spent now</dt>
    <dd className="figure text-right">{money(purchase.spentNowMinor)}</dd>
    <dt>Stock used up, where it counts</dt>
    <dd className="figure text-right">{money(purchase.stockMinor)}</dd>
    <dt>Full cost, as if nothing were on hand</dt>
    <dd className="figure text-right">{money(purchase.fullMinor)}</dd>
    {each && (
      <>
        <dt>Full cost of one light</dt>
        <dd className="figure text-right">{money(purchase.fullPerLightMinor)}</dd>
      </>
    )}
  </dl>
);
