const tones = { free: "text-slate-400", taken: "text-slate-700" };

export function Berths({ state }: { state: "free" | "taken" }) {
  return (
    <ul className="bg-white p-4">
      <li className={tones[state]}>Berth 4, twelve metres</li>
      <li className="text-tide">Berth 5, nine metres</li>
    </ul>
  );
}
