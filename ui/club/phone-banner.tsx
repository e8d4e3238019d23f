/** Said wherever links or QR codes are made while they lead to this machine only. */
export function PhoneBanner() {
  return (
    <p role="note" className="mb-3 border-l-4 border-loud bg-sheet px-3 py-2">
      <strong>Phones cannot open links and QR codes of this installation.</strong> They lead to this machine only. Start
      it with --host and --public-url (see the README), then print and send.
    </p>
  );
}
