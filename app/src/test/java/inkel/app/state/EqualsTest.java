package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.lane.Notice;
import inkel.core.document.Endpoint;
import inkel.core.document.Node;
import inkel.core.document.Wire;
import inkel.core.document.edit.Plug;
import inkel.core.document.edit.SetWire;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Equal boards in the window's state: added with names that count on, and changed together when asked. */
class EqualsTest {
    private static final Endpoint ECHO = new Endpoint("sonar", "ECHO");

    @TempDir
    private Path folder;

    private Session session;

    @BeforeEach
    void start() throws IOException {
        session = Given.session(folder);
        session.files().open(Given.copy(Given.BARE_CHIP, folder));
    }

    private List<String> names() {
        return session.build().orElseThrow().nodes().stream().map(Node::name).toList();
    }

    private String echo(String node) {
        return session.build()
                .orElseThrow()
                .node(node)
                .flatMap(of -> of.wire(ECHO))
                .orElseThrow()
                .to()
                .pin();
    }

    private List<Wire> wires(String node) {
        return session.build().orElseThrow().node(node).orElseThrow().wires();
    }

    private void move(String node, String pin) {
        session.apply(new SetWire(node, Wire.placed(ECHO, new Endpoint("board", pin))));
    }

    @Test
    void namesCountOnAndTheFirstNewOneIsShown() {
        session.boards().copy("light", 2);
        assertEquals(List.of("Light", "Light 2", "Light 3"), names());
        assertEquals("light-2", session.nodeProperty().get());
        session.boards().copy("light-3", 1);
        assertEquals(List.of("Light", "Light 2", "Light 3", "Light 4"), names());
        session.undo();
        session.undo();
        assertEquals(List.of("Light"), names(), "each time was one step");
    }

    @Test
    void aChangeIsOfferedToTheOthersAndDoneByOnePress() {
        session.boards().copy("light", 2);
        move("light-2", "PB0");
        Notice offer = session.notices().property().get();
        assertTrue(offer.text().contains("Light") && offer.text().contains("Light 3"), offer.text());
        assertEquals("PB4", echo("light"), "nothing before the press");
        offer.actions().get(0).run().run();
        assertEquals(List.of("PB0", "PB0", "PB0"), List.of(echo("light"), echo("light-2"), echo("light-3")));
        assertNull(session.notices().property().get(), "what was done on all is not offered again");
        session.undo();
        assertEquals(List.of("PB4", "PB0", "PB4"), List.of(echo("light"), echo("light-2"), echo("light-3")));
    }

    /** What is said of sharing out, and the press that does the same on the others. */
    @Test
    void sharingOutIsOfferedToo() {
        session.boards().copy("light", 1);
        session.planning().plan();
        Notice told = session.notices().property().get();
        assertEquals(1, told.actions().size(), told.text());
        assertTrue(told.text().startsWith("1 wire") && told.text().contains("Light"), "both are said: " + told.text());
        told.actions().get(0).run().run();
        assertEquals(wires("light-2"), wires("light"));
    }

    @Test
    void whatIsPluggedIsEachBoardsOwnAndSingleBoardsHaveNoEquals() {
        move("light", "PB0");
        assertNull(session.notices().property().get());
        session.boards().copy("light", 1);
        session.apply(new Plug("light", Set.of("x"), true));
        assertNull(session.notices().property().get());
    }
}
