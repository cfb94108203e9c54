/** A small picture of a reference; decorative, since what it shows is told beside it. */
export function Thumbnail({
  url,
  className = '',
  alt = '',
}: {
  url: string | undefined;
  className?: string;
  alt?: string;
}) {
  if (!url) return <span aria-hidden className={`block bg-base-300 ${className}`} />;
  // Object URLs and shipped files need no optimizing server.
  // eslint-disable-next-line @next/next/no-img-element
  return <img src={url} alt={alt} className={className} loading="lazy" decoding="async" />;
}
