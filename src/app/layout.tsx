import '@fontsource-variable/bricolage-grotesque/index.css';
import '@fontsource/atkinson-hyperlegible-next/latin-400.css';
import '@fontsource/atkinson-hyperlegible-next/latin-600.css';
import '@fontsource/spline-sans-mono/latin-400.css';
import '@fontsource/spline-sans-mono/latin-500.css';
import './globals.css';
import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import { DeviceProvider, type DeviceSettings } from '@/ui/device';
import { Explaining } from '@/ui/Explained';

export const metadata: Metadata = {
  title: { default: 'Lantern Jar', template: '%s · Lantern Jar' },
  description: 'Design, check, price and judge film lights built from household parts.',
};

async function deviceSettings(): Promise<DeviceSettings> {
  const jar = await cookies();
  return {
    theme: jar.get('lantern-theme')?.value === 'set' ? 'set' : 'bench',
    units: jar.get('lantern-units')?.value === 'imperial' ? 'imperial' : 'metric',
  };
}

export default async function RootLayout({ children }: { children: React.ReactNode }) {
  const settings = await deviceSettings();
  return (
    <html lang="en" data-theme={settings.theme}>
      <body>
        <DeviceProvider initial={settings}>
          <Explaining>{children}</Explaining>
        </DeviceProvider>
      </body>
    </html>
  );
}
