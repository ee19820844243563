import Link from "next/link";

export default function NotFound() {
  return (
    <main className="mx-auto max-w-2xl p-8">
      <h1 className="text-2xl font-bold">There is nothing at this address</h1>
      <p className="mt-3">The page was never here, or its name has changed.</p>
      <Link href="/bench" className="btn btn-primary mt-6">
        To the bench
      </Link>
    </main>
  );
}
