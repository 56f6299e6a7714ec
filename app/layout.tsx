import type { Metadata } from 'next';
import localFont from 'next/font/local';
import { connection } from 'next/server';
import type { ReactNode } from 'react';
import { LostBanner } from '@ui/server/LostBanner';
import { CSS_VARIABLES } from '@ui/theme/cssVariables';
import { UnitProvider } from '@ui/units/UnitProvider';
import './globals.css';

export const metadata: Metadata = {
  title: 'Glow Den',
  description: 'Reading, comparing and reporting infrared frames of buildings.',
};

const figtree = localFont({
  variable: '--font-figtree',
  src: [
    { path: '../node_modules/@expo-google-fonts/figtree/400Regular/Figtree_400Regular.ttf', weight: '400' },
    { path: '../node_modules/@expo-google-fonts/figtree/500Medium/Figtree_500Medium.ttf', weight: '500' },
    { path: '../node_modules/@expo-google-fonts/figtree/600SemiBold/Figtree_600SemiBold.ttf', weight: '600' },
    { path: '../node_modules/@expo-google-fonts/figtree/700Bold/Figtree_700Bold.ttf', weight: '700' },
  ],
});

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Each page is made for its request: the nonce of its content security policy is in it.
  await connection();
  return (
    <html lang="en" className={figtree.variable}>
      <head>
        <style dangerouslySetInnerHTML={{ __html: CSS_VARIABLES }} />
      </head>
      <body>
        <LostBanner />
        <UnitProvider>{children}</UnitProvider>
      </body>
    </html>
  );
}
