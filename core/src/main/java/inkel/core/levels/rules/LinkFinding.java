package inkel.core.levels.rules;

import inkel.core.catalog.IoFamily;
import inkel.core.circuit.Reading;
import inkel.core.document.Endpoint;
import inkel.core.document.Place;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.RuleInfo;
import inkel.core.formula.LevelCheck;
import inkel.core.formula.Verdict;
import inkel.core.levels.LevelReport;
import inkel.core.levels.Link;
import inkel.core.quantity.Source;
import inkel.core.remedy.PinNames;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What the three verdicts on a link have in common: the arithmetic and the ways out. */
final class LinkFinding {
    private LinkFinding() {}

    static List<Finding> all(RuleInfo info, LevelReport levels, Verdict verdict) {
        // The way out for a whole module is the same at each of its wires.
        Map<Place, Optional<Fix>> ofModules = new HashMap<>();
        return levels.links().stream()
                .filter(link -> link.verdict() == verdict)
                // What a pull-up does is told by a rule of its own.
                .filter(link -> verdict != Verdict.HARMS || link.pulledBy().isEmpty())
                .map(link -> describe(
                        info,
                        levels,
                        link,
                        ofModules.computeIfAbsent(
                                Place.ofPart(link.signal().node(), link.signal().part()),
                                part -> ModuleShift.of(levels, link))))
                .toList();
    }

    private static Finding describe(RuleInfo info, LevelReport levels, Link link, Optional<Fix> ofModule) {
        LevelCheck check = link.check();
        Reading reading = link.node().reading(link.signal().endpoint());
        Source says = reading.high().isPresent() ? Source.MEASURED : source(link, link.from());
        Source saysLow = reading.low().isPresent() ? Source.MEASURED : source(link, link.from());
        Source hears = source(link, link.to());
        Finding.Builder finding = Finding.of(info, link.signal())
                .with("from", PinNames.of(link.node(), link.from()))
                .with("to", PinNames.of(link.node(), link.to()));
        LevelNumbers.put(finding, check, says, saysLow, hears);
        return finding.fixes(new LinkFixes(link.node(), levels.circuit().catalog()).of(link))
                .fix(ofModule)
                .build();
    }

    private static Source source(Link link, Endpoint end) {
        return link.node().io(end).map(IoFamily::source).orElse(Source.CLASS);
    }
}
