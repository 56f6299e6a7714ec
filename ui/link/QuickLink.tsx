'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import type { ComponentProps } from 'react';

type Props = Omit<ComponentProps<typeof Link>, 'href' | 'prefetch'> & { href: string };

/**
 * A link whose page is fetched as soon as somebody means it, by pointer or key; not all pages of all links at once, which holds
 * up the page that is looked at.
 */
export function QuickLink({ href, onPointerEnter, onFocus, ...rest }: Props) {
  const router = useRouter();
  return (
    <Link
      {...rest}
      href={href}
      prefetch={false}
      onPointerEnter={(event) => {
        router.prefetch(href);
        onPointerEnter?.(event);
      }}
      onFocus={(event) => {
        router.prefetch(href);
        onFocus?.(event);
      }}
    />
  );
}
