const LINK = "inline-flex min-h-12 items-center font-bold underline underline-offset-4";

/** Everything as one file: the shop's own, to keep or to take elsewhere. */
export function WholeShop({ slug }: { slug: string }) {
  return (
    <>
      <p className="text-ink-2">
        People, vehicles, jobs with their books, logs and pictures, as one zip in an open format. What anybody
        signs in by is not in it. Whoever runs a server reads it in there as the same shop.
      </p>
      <a className={LINK} href="/shop/whole.zip" download={`${slug}.zip`}>
        The whole shop as one file
      </a>
      <p className="text-ink-2">It is put together first: some seconds, minutes for very many pictures.</p>
    </>
  );
}
