// How a delivery's page looks: paper, and the same three colours as everywhere.
#pragma once

namespace wembrix {

inline constexpr const char* report_style = R"(
:root { --ground: #EDEFEA; --card: #FBFBF8; --line: #CBD0C8; --ink: #1F2A2E; --soft: #5B686B; --plum: #7A4B9E;
  --pass: #0B6B66; --stop: #9A1F17; --look: #84560F; }
* { box-sizing: border-box; }
body { margin: 0 auto; max-width: 1040px; padding: 28px 24px; background: var(--ground); color: var(--ink);
  font: 14px/1.45 Inter, "Noto Sans", "DejaVu Sans", sans-serif; font-variant-numeric: tabular-nums; }
header { border-left: 6px solid var(--plum); padding: 2px 0 2px 16px; }
h1 { font-size: 26px; margin: 0; } h2 { font-size: 17px; margin: 30px 0 8px; } h3 { font-size: 15px; margin: 0 0 8px; }
.sum { font-size: 15px; margin: 6px 0; } .soft { color: var(--soft); }
dl { display: grid; grid-template-columns: max-content 1fr; gap: 2px 16px; margin: 8px 0 0; } dt { color: var(--soft); }
dd { margin: 0; }
table { width: 100%; border-collapse: collapse; background: var(--card); border: 1px solid var(--line); }
th, td { text-align: left; vertical-align: top; padding: 5px 10px; border-top: 1px solid var(--line); overflow-wrap: anywhere; }
thead th { border-top: 0; color: var(--soft); font-weight: 600; } .n { text-align: right; white-space: nowrap; }
.claims td { width: 24%; }
.pass { color: var(--pass); } .fail { color: var(--stop); } .look { color: var(--look); }
section { background: var(--card); border: 1px solid var(--line); border-radius: 4px; padding: 14px 16px; margin: 0 0 14px; }
.row { display: flex; flex-wrap: wrap; gap: 14px; } figure { margin: 0 0 8px; }
figcaption { color: var(--soft); font-size: 12px; }
img { display: block; max-width: 100%; border: 1px solid var(--line); border-radius: 4px; }
.small img { width: 72px; } .small figcaption { display: none; } .small { margin: 0; }
.large img { width: 256px; } .wide img { width: 100%; }
.curve { width: 100%; max-width: 680px; height: 78px; display: block; } .curve .line { fill: none; stroke: var(--plum); stroke-width: 1.5; }
.curve .ground { fill: none; stroke: var(--line); } ul, ol { margin: 4px 0; padding-left: 24px; }
footer { margin: 24px 0 0; font-size: 12px; }
@media print { body { background: #fff; max-width: none; padding: 0; } section, tr, figure { break-inside: avoid; }
  h2, h3 { break-after: avoid; } section, table { background: #fff; } }
)";

} // namespace wembrix
