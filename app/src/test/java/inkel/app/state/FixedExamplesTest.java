package inkel.app.state;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.app.store.Examples;
import inkel.app.store.Recovery;
import inkel.core.document.Build;
import inkel.core.document.edit.RenamePart;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Shipped examples are not the builder's to write over. */
class FixedExamplesTest {
    @TempDir
    private Path folder;

    private Session session;

    @BeforeEach
    void packaged() throws Exception {
        Files.createDirectories(folder.resolve("examples"));
        Given.copy(Given.LOCKS, folder.resolve("examples"));
        System.setProperty("inkel.home", folder.toString());
        System.setProperty("inkel.packaged", "true");
        session = Given.session(folder);
    }

    @AfterEach
    void asBefore() {
        System.clearProperty("inkel.home");
        System.clearProperty("inkel.packaged");
    }

    @Test
    void anExampleIsABuildWithoutAFileAndWaitsForAName() throws Exception {
        Path example = Examples.folder().resolve(Examples.DEMO);
        String before = Files.readString(example);
        session.files().open(example);
        assertNull(session.files().fileProperty().get());
        assertFalse(session.files().unsavedProperty().get());
        session.apply(new RenamePart("lower-lock", "radio", "Mine"));
        assertTrue(session.files().unsavedProperty().get());
        session.files().save();
        assertEquals(before, Files.readString(example));
        Path own = folder.resolve("own.inkel.json");
        session.files().saveAs(own);
        assertEquals(own, session.files().fileProperty().get());
        assertTrue(Files.readString(own).contains("Mine"));
    }

    @Test
    void aBuildElsewhereIsItsOwnFile() throws Exception {
        Path elsewhere = Given.copy(Given.LOCKS, folder);
        session.files().open(elsewhere);
        assertEquals(elsewhere, session.files().fileProperty().get());
    }

    @Test
    void soItIsWhereItWasBuiltTooButNotForTheBuildersOwn() throws Exception {
        System.clearProperty("inkel.packaged");
        Path example = Examples.folder().resolve(Examples.DEMO);
        assertTrue(Examples.isFixed(example));
        assertTrue(Examples.isFixed(Examples.folder().resolve("../examples/" + Examples.DEMO)));
        assertFalse(Examples.isFixed(folder.resolve(Examples.DEMO)), "a copy is the builder's");
        Path own = Examples.folder().resolve("own.inkel.json");
        Files.copy(example, own);
        assertFalse(Examples.isFixed(own));
        System.setProperty("inkel.packaged", "true");
        assertTrue(Examples.isFixed(own), "a packaged program's folder is not to be written to");
    }

    @Test
    void besideTheExamplesLiesNothingElse() throws Exception {
        try (Stream<Path> files = Files.list(Given.EXAMPLES)) {
            assertEquals(
                    new TreeSet<>(Examples.ALL),
                    files.map(path -> path.getFileName().toString()).collect(Collectors.toCollection(TreeSet::new)));
        }
    }

    @Test
    void whatAnEarlierVersionLeftOfOneGoesOnWithoutAFile() throws Exception {
        Path example = Examples.folder().resolve(Examples.DEMO);
        Build changed = new RenamePart("lower-lock", "radio", "Mine").apply(Given.build(Given.LOCKS));
        new Recovery(folder.resolve("recovery")).keep(example, changed);
        List<LeftWork.One> all = new ArrayList<>();
        session.files().left().list(all::addAll);
        session.files().left().take(all.get(0));
        assertEquals(changed, session.build().orElseThrow());
        assertNull(session.files().fileProperty().get());
        assertTrue(session.files().unsavedProperty().get());
    }
}
