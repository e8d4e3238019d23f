import { COLOURS } from '@/core/drawing/colours';

/* Bright-sun theme of a page that has no framework: black on white, large taps, drawings by role. */
const { ink, loud, life, white } = COLOURS;

export const GROWER_STYLE = `
@font-face{font-family:Bench;font-weight:400;font-display:swap;src:url(/fonts/400.woff2) format("woff2")}
@font-face{font-family:Bench;font-weight:700;font-display:swap;src:url(/fonts/700.woff2) format("woff2")}
*{box-sizing:border-box}
html{-webkit-text-size-adjust:100%}
body{margin:0;background:${white};color:${ink};font:17px/1.4 Bench,system-ui,sans-serif}
main{max-width:28rem;margin:0 auto;padding:1rem}
h1{font-size:1.7rem;line-height:1.15;margin:.1rem 0 .5rem}
h2{font-size:1.25rem;margin:1.4rem 0 .4rem}
p{margin:.35rem 0}
[hidden]{display:none!important}
.quiet{font-size:.9rem}
.said,.left{font-weight:700}
.said{border-left:6px solid ${life};padding-left:.6rem}
.graft{border:2px solid ${ink};border-radius:2px 16px 2px 16px;margin:0 0 .9rem;padding:.1rem .8rem .3rem;min-width:0}
.graft legend{font-size:1.5rem;font-weight:700;padding:0 .3rem}
.of{display:flex;flex-wrap:wrap;gap:.3rem;align-items:center}
.ribbon svg{vertical-align:middle}
.question{font-size:1.1rem;font-weight:700}
.ask{font-weight:700;margin:.6rem 0 .25rem}
.taps{display:grid;grid-template-columns:1fr 1fr;gap:.4rem}
.tap{display:flex;min-height:3.2rem;align-items:center;gap:.5rem;border:2px solid ${ink};padding:.3rem .6rem;cursor:pointer;line-height:1.2}
.tap input{width:1.3rem;height:1.3rem;flex:none;accent-color:${ink};margin:0}
.tap:has(:checked){background:${ink};color:${white}}
.tap:has(:focus-visible){outline:3px solid ${ink};outline-offset:2px}
.wide{margin:.4rem 0}
details{margin:.5rem 0}
summary{min-height:2.75rem;padding:.6rem 0;cursor:pointer;text-decoration:underline}
label{display:block;font-size:.9rem;font-weight:700;margin:.4rem 0}
.tap{font-weight:400;font-size:1rem;margin:0}
input:not([type=radio]):not([type=checkbox]):not([type=hidden]),select{display:block;width:100%;min-height:2.75rem;font:inherit;border:2px solid ${ink};background:${white};color:${ink};padding:.3rem .5rem;border-radius:2px}
.measure{display:grid;grid-template-columns:1fr 8.5rem;gap:.5rem;align-items:end}
figure.long{margin:.6rem 0}
.finger{fill:${COLOURS.skin};stroke:${ink};stroke-width:1.5}
.shoot-drawn{stroke:${COLOURS['leaf-edge']};stroke-width:4;fill:none}
.leaf-drawn{fill:${COLOURS.leaf};stroke:${COLOURS['leaf-edge']}}
.ends{stroke:${ink};stroke-width:1.5;fill:none}
figcaption.plain{font-weight:400;border:0;font-size:.9rem}
.task{border-left:6px solid ${ink};padding:.1rem 0 .3rem .7rem;margin:0 0 .8rem}
.task.alarm{border-color:${loud}}
.task.alarm .name{color:${loud}}
.task .name{font-weight:700;font-size:1.05rem}
.how{display:flex;flex-wrap:wrap;gap:.4rem;margin:.4rem 0}
.how button:first-child{background:${ink};color:${white}}
.happened{border-top:3px solid ${ink};margin-top:1.2rem;padding-top:.2rem}
.pair{display:grid;grid-template-columns:1fr 1fr;gap:.5rem}
figure{margin:0;overflow:hidden}
figcaption{font-weight:700;border-bottom:4px solid ${life};margin-bottom:.4rem}
figcaption.wrong{border-bottom:4px dashed ${loud}}
.back{border-left:6px solid ${ink};padding-left:.6rem;margin:.6rem 0}
.back ul{margin:.1rem 0 .4rem;padding-left:1.1rem}
.state{font-size:.9rem;margin:0}
.folds{display:flex;flex-wrap:wrap;column-gap:1rem}
.folds>details{margin:0}
.folds>details[open]{flex-basis:100%}
.graft a{color:inherit}
.refused{border-left:6px solid ${loud};padding-left:.6rem;font-weight:700}
button{font:inherit;font-weight:700;min-height:2.75rem;padding:.4rem 1rem;border:2px solid ${ink};background:${white};color:${ink};border-radius:2px 12px 2px 12px;cursor:pointer}
button.all{width:100%;margin-bottom:1rem}
button.main{width:100%;min-height:3.4rem;font-size:1.15rem;background:${ink};color:${white}}
button.loud{background:${loud};border-color:${loud};color:${white}}
.link{color:inherit;display:inline-block;min-height:2.75rem;padding:.6rem .6rem .6rem 0}
.resting{padding-left:0;list-style:none}
.resting li{border-top:1px solid ${ink};padding:.2rem 0}
.say{border-top:3px solid ${ink};margin-top:1.6rem}
.sure{border-left:6px solid ${loud};padding-left:.6rem}
:focus-visible{outline:3px solid ${ink};outline-offset:2px}
.drawings{position:absolute}
figure svg{display:block;max-width:100%}
.drawing path{vector-effect:non-scaling-stroke;fill:none;stroke:${ink};stroke-linejoin:round;stroke-width:1px}
.drawing text{fill:${ink}}
.drawing .r-bark{fill:${COLOURS.skin};stroke:${COLOURS['skin-edge']}}
.drawing .r-wood{fill:${COLOURS.wood}}
.drawing .r-cut-bark,.drawing .r-flap{fill:${COLOURS.flap};stroke:${COLOURS['skin-edge']}}
.drawing .r-hatch,.drawing .r-outline,.drawing .r-break{stroke:${COLOURS['skin-edge']}}
.drawing .r-bud{fill:${COLOURS.bark};stroke:${COLOURS['skin-edge']}}
.drawing .r-wrap.filled,.drawing .r-foil{fill:${COLOURS.foil};fill-opacity:.85;stroke:${COLOURS.muted}}
.drawing .r-film{stroke:${COLOURS.muted};stroke-dasharray:2 2.5}
.drawing .r-seal{fill:${COLOURS.wax}}
.drawing .r-callus{fill:${white};stroke:${COLOURS['leaf-edge']};stroke-width:1.2px}
.drawing .r-shoot{stroke:${COLOURS['leaf-edge']};stroke-width:2.6px;stroke-linecap:round}
.drawing .r-leaf{fill:${COLOURS.leaf};stroke:${COLOURS['leaf-edge']}}
.drawing .r-withered{fill:${COLOURS.ghost};fill-opacity:.72}
.drawing .r-gap.filled{fill:${white}}
.drawing .r-ghost{stroke-dasharray:1 4}
`;
