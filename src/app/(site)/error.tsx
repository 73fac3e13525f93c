'use client';

/** Something went wrong on the server: say so, keep what is on this device, offer to try again. */
export default function SiteError({ reset }: { reset: () => void }) {
  return (
    <div className="sheet space-y-3" role="alert">
      <h1 className="text-xl font-extrabold">This page could not be made</h1>
      <p>
        The server or its database may be restarting. What you have entered is kept on this device
        and will be sent.
      </p>
      <button type="button" className="button-main" onClick={reset}>
        Try again
      </button>
    </div>
  );
}
