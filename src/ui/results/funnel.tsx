'use client';
/** From leads to clients as bars, the same numbers as the table's first row. */
import { Bar, BarChart, Cell, LabelList, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import { MEASURES, type ResultRow } from '@/core/results';
import type { Jsoned } from '@/core/shared';
import { ChartBox } from '../kit';

export function Funnel({ row }: { row: Jsoned<ResultRow> }) {
  const data = MEASURES.filter(({ key }) => key !== 'fast').map(({ key, name }) => ({ name, people: row[key] }));
  return (
    <ChartBox height={220} aria-label={data.map(({ name, people }) => `${name}: ${people}`).join(', ')} role="img">
      <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 1200, height: 220 }}>
        <BarChart
          data={data}
          layout="vertical"
          margin={{ left: 10, right: 60, top: 4, bottom: 4 }}
          barCategoryGap={9}
          accessibilityLayer={false}
        >
          <XAxis type="number" hide domain={[0, 'dataMax']} />
          <YAxis
            type="category"
            dataKey="name"
            width={106}
            axisLine={false}
            tickLine={false}
            tick={{ fill: 'var(--soft)', fontSize: 13 }}
          />
          <Bar dataKey="people" isAnimationActive={false} radius={[0, 3, 3, 0]}>
            {data.map(({ name }, at) => (
              <Cell key={name} fill={at === data.length - 1 ? 'var(--leaf)' : 'var(--teal)'} fillOpacity={1 - at * 0.06} />
            ))}
            <LabelList dataKey="people" position="right" fill="var(--ink)" fontWeight={600} />
          </Bar>
        </BarChart>
      </ResponsiveContainer>
    </ChartBox>
  );
}
