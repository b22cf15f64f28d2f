package inkel.core.levels;

import static inkel.core.kit.Builds.end;
import static inkel.core.kit.Builds.place;
import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.circuit.Circuit;
import inkel.core.document.Between;
import inkel.core.document.Extras;
import inkel.core.formula.Verdict;
import inkel.core.kit.Builds;
import inkel.core.quantity.Resistance;
import inkel.core.quantity.Source;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** The hops of a wire through a converter, and the wires that are still to be measured. */
class LevelReportTest {
    /** A reader's MOSI through way 1 of a shifter, its MISO straight. */
    private static LevelReport shifted() {
        return report(Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("reader", "tag-reader-spi", "3.3V=reg.OUT")
                .part("shifter", "shifter-4", "LV=reg.OUT", "HV=board.5V")
                .wire("reader.MOSI", "board.D11")
                .wire("reader.MISO", "board.D12")
                .between(new Between.ShifterWay(end("reader.MOSI"), "shifter", 1, Extras.NONE)));
    }

    private static LevelReport report(Builds build) {
        return LevelReport.of(Circuit.of(build.build(), Builds.CATALOG));
    }

    private static Link link(LevelReport report, String from, String to) {
        return report.links().stream()
                .filter(link -> link.from().equals(end(from)) && link.to().equals(end(to)))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aWireThroughAConverterIsTwoHops() {
        LevelReport report = shifted();
        Link into = link(report, "board.D11", "shifter.HV1");
        Link out = link(report, "shifter.LV1", "reader.MOSI");
        assertEquals(2, report.of(place("reader.MOSI")).size());
        assertEquals(out, report.arriving(into), "what goes in comes out there");
        assertEquals(out, report.arriving(out));
        assertEquals(into, report.sending(out), "what comes out went in here");
        assertEquals(into, report.sending(into));
    }

    @Test
    void aWireWithoutOneIsItsOwnHop() {
        LevelReport report = shifted();
        Link miso = link(report, "reader.MISO", "board.D12");
        assertEquals(miso, report.arriving(miso));
        assertEquals(miso, report.sending(miso));
        assertEquals(Optional.of(Verdict.THIN), report.verdict(place("reader.MISO")));
        assertEquals(Optional.empty(), report.verdict(place("reader.RST")), "not wired");
    }

    @Test
    void aBusThroughAConverterHasItsHopsInBothDirections() {
        LevelReport report = report(Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("air", "pressure", "VCC=reg.OUT")
                .part("shifter", "shifter-4", "LV=reg.OUT", "HV=board.5V")
                .wire("air.SDA", "board.A4")
                .between(new Between.ShifterWay(end("air.SDA"), "shifter", 2, Extras.NONE)));
        Link said = link(report, "air.SDA", "shifter.LV2");
        Link heard = link(report, "shifter.HV2", "board.A4");
        assertEquals(heard, report.arriving(said));
        assertEquals(said, report.sending(heard));
        Link back = link(report, "board.A4", "shifter.HV2");
        assertEquals(link(report, "shifter.LV2", "air.SDA"), report.arriving(back), "not back to where it came from");
    }

    /** The reader on 3.25 to 3.35 V drives within 0.1 V of that; the board at 4.75 to 5.25 V hears from 0.6 of its supply. */
    @Test
    void bothSidesOfALinkWithWhereTheyComeFrom() {
        Link link = link(shifted(), "reader.MISO", "board.D12");
        assertEquals(
                List.of(
                        "highest_output_at_least 3.15 CLASS",
                        "reads_high_above 3.15 CLASS",
                        "high_margin 0.00 COMPUTED",
                        "lowest_output_at_most 0.10 CLASS",
                        "reads_low_below 1.43 CLASS",
                        "low_margin 1.33 COMPUTED",
                        "tolerated 5.25 CLASS"),
                figures(link));
    }

    @Test
    void levelsOnASupplyThatTheBuilderSetAreWorkedOut() {
        Link link = link(
                report(Builds.classic()
                        .part("bench", "bench-supply")
                        .setting("bench", "volts", "5 V")
                        .boardOnly("5V", "bench.+")
                        .part("radio", "packet-radio", "VCC=board.3V3")
                        .wire("radio.MISO", "board.D12")),
                "radio.MISO",
                "board.D12");
        assertEquals(Source.COMPUTED, link.listens());
        assertEquals(Source.CLASS, link.saysHigh(), "a regulator gives what its class says, whatever comes in");
        assertEquals("tolerated 5.50 COMPUTED", figures(link).get(6));
    }

    private static List<String> figures(Link link) {
        return link.figures().stream()
                .map(figure -> String.format(
                        Locale.ROOT, "%s %.2f %s", figure.key(), figure.value().si(), figure.source()))
                .toList();
    }

    @Test
    void aDividersShareIsTakenOutAgain() {
        // 1 kΩ over 2 kΩ leaves two thirds of 4.65 to 5.25 V, and of a low of 0.1 V.
        Link divided = link(
                report(Builds.classic()
                        .part("reg", "regulator-linear-3v3", "IN=board.5V")
                        .part("reader", "tag-reader-spi", "3.3V=reg.OUT")
                        .wire("reader.MOSI", "board.D11")
                        .between(new Between.Divider(
                                end("reader.MOSI"), Resistance.ofOhms(1000), Resistance.ofOhms(2000), Extras.NONE))),
                "board.D11",
                "reader.MOSI");
        assertEquals(2 / 3.0, divided.share(), 1e-12);
        assertEquals(4.65, divided.saidHigh().lowest().volts(), 1e-9);
        assertEquals(5.25, divided.saidHigh().highest().volts(), 1e-9);
        assertEquals(divided.check().volMax().volts() * 1.5, divided.saidLow().volts(), 1e-9);
        Link straight = link(shifted(), "reader.MISO", "board.D12");
        assertEquals(1, straight.share());
        assertEquals(3.15, straight.saidHigh().lowest().volts(), 1e-9);
        assertEquals(0.1, straight.saidLow().volts(), 1e-9);
    }

    @Test
    void wiresLeftAsTheyAreAreToMeasure() {
        Builds thin = Builds.classic()
                .part("reg", "regulator-linear-3v3", "IN=board.5V")
                .part("reader", "tag-reader-spi", "3.3V=reg.OUT")
                .wire("reader.MISO", "board.D12")
                .wire("reader.MOSI", "board.D11")
                .between(new Between.Nothing(end("reader.MISO"), "it has always worked", Extras.NONE));
        assertEquals(
                List.of(place("reader.MISO")),
                report(thin).toMeasure().stream().map(Link::signal).toList());
    }
}
