package inkel.core.parts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.catalog.Kind;
import inkel.core.finding.Finding;
import inkel.core.finding.Fix;
import inkel.core.finding.Severity;
import inkel.core.kit.Builds;
import inkel.core.kit.RuleKit;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The classic board has 2048 B of RAM, of which an empty program takes 190, and 32,256 B of flash for programs. */
class MemoryShortTest {
    private static final String CODE = "board.memory_short";

    private static Builds display() {
        return Builds.classic().part("screen", "display-graphic-128", "VDD=board.5V");
    }

    @Test
    void aFrameFits() throws Exception {
        // 190 + 1100 = 1290 of 1536 that may be taken.
        RuleKit.quiet(display(), CODE);
    }

    @Test
    void aFrameAndACardLeaveTooLittleForTheStack() throws Exception {
        // 190 + 1100 + 620 = 1910: above 1536, below 2048.
        Finding finding = RuleKit.fires(display().part("card", "memory-card-5v", "VCC=board.5V"), CODE);
        assertEquals(Severity.LOOK, finding.severity());
        assertEquals("bench/board", finding.place().toString());
        assertEquals(1910, RuleKit.si(finding, "ram_taken"), 0);
        assertEquals(1536, RuleKit.si(finding, "ram_limit"), 0);
    }

    @Test
    void withAHandsetAsWellItIsShort() throws Exception {
        // 1910 + 250 = 2160 of 2048; without the frame 1060 are left, without the card 1540, which is still too much.
        Builds builds = display()
                .part("card", "memory-card-5v", "VCC=board.5V")
                .part("eye", "infrared-receiver", "VS=board.5V");
        Finding finding = RuleKit.fires(builds, CODE);
        assertEquals(Severity.STOP, finding.severity());
        assertEquals(2160, RuleKit.si(finding, "ram_taken"), 0);
        assertEquals(
                List.of("later-screen"), finding.fixes().stream().map(Fix::id).toList());
        RuleKit.everyWayOut(builds, CODE);
    }

    @Test
    void atTheLimitItIsQuiet() throws Exception {
        // 190 + 1100 + 64 + 64 + 60 + 58…: 1536 is what may be taken, and is.
        Builds at = display();
        for (int i = 0; i < 4; i++) {
            at.part("clock-" + i, "clock-memory", "VCC=board.5V");
        }
        // 1290 + 4 · 60 = 1530.
        RuleKit.quiet(at, CODE);
        // 1530 + 30 = 1560.
        RuleKit.fires(at.part("tank", "climate-wire", "VCC=board.5V"), CODE);
    }

    @Test
    void codeForPartsOfOneClassIsThereOnce() throws Exception {
        Builds many = Builds.classic();
        for (int i = 0; i < 20; i++) {
            many.part("servo-" + i, "servo-micro", "V+=board.5V");
        }
        // RAM 190 + 20 · 30 = 790; flash 1500 + 1500.
        RuleKit.quiet(many, CODE);
        MemoryReport report = MemoryReport.of(many.assess().reports().circuit()).get(0);
        assertEquals(790, report.taken().ram().bytes(), 0);
        assertEquals(3000, report.taken().flash().bytes(), 0);
    }

    @Test
    void flashRunsShortByItself() throws Exception {
        // 1500 + 9500 + 9000 + 11000 + 4500 = 35,500 of 32,256, with 190 + 620 + 320 + 120 + 64 = 1314 of RAM.
        Finding finding = RuleKit.fires(
                Builds.classic()
                        .part("card", "memory-card-5v", "VCC=board.5V")
                        .part("net", "network-wired", "VCC=board.3V3")
                        .part("screen", "display-colour", "VCC=board.5V")
                        .part("radio", "packet-radio", "VCC=board.3V3"),
                CODE);
        assertEquals("board.memory_short.flash", finding.sentence().key());
        assertEquals(35_500, RuleKit.si(finding, "flash_taken"), 0);
    }

    @Test
    void whatComesLaterTakesNothingYet() throws Exception {
        RuleKit.quiet(display().part("card", "memory-card-5v", "VCC=board.5V").setting("card", "later", "yes"), CODE);
    }

    @Test
    void everyBoardButTheComputerTellsItsMemory() {
        List<String> untold = Builds.CATALOG.all().stream()
                .filter(cls -> cls.kind() == Kind.BOARD)
                .filter(cls -> cls.controller().orElseThrow().memory().isEmpty())
                .map(cls -> cls.id())
                .toList();
        assertEquals(List.of("computer-40pin"), untold);
        assertTrue(Builds.CATALOG.all().stream()
                .flatMap(cls -> cls.controller().stream())
                .flatMap(board -> board.memory().stream())
                .allMatch(memory -> memory.all().ram().isAbove(memory.core().ram())
                        && memory.all().flash().isAbove(memory.core().flash())));
    }
}
