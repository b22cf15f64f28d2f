package inkel.app.about;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class AboutTest {
    /** What is on the class path for the tests alone. */
    private static final Pattern OF_TESTS = Pattern.compile(
            "junit-.*|surefire-.*|apiguardian-.*|opentest4j-.*|mockito-.*|byte-buddy-.*|objenesis-.*|archunit-.*|testfx-.*|"
                    + "hamcrest-.*|slf4j-simple.*|org[.]osgi.*|assertj-.*|common-java5-.*|maven-.*");

    private static final Pattern JAR = Pattern.compile("(.+?)-([0-9][^/]*?)(-linux.*)?[.]jar");

    @Test
    void everyLibraryThatIsReallyThereIsNamedWithItsVersion() {
        Set<String> named = About.libraries().stream()
                .map(library -> library.name() + " " + library.version())
                .collect(Collectors.toSet());
        Set<String> there = Arrays.stream(System.getProperty("java.class.path").split(File.pathSeparator))
                .map(entry -> Path.of(entry).getFileName().toString())
                .filter(name -> name.endsWith(".jar"))
                .filter(name -> !OF_TESTS.matcher(name).matches() && !name.startsWith("inkel-"))
                .map(name -> JAR.matcher(name).replaceFirst("$1 $2"))
                .collect(Collectors.toSet());
        assertTrue(there.size() > 30, "the class path tells of no libraries: " + there);
        assertEquals(there, named);
    }

    @Test
    void eachIsUnderALicenceWhoseTextIsShipped() {
        for (Library library : About.libraries()) {
            assertTrue(
                    library.licences().stream()
                            .anyMatch(name -> About.licence(name).isPresent()),
                    () -> library.name() + " is under " + library.licences() + ", of which no text is shipped");
        }
    }

    @Test
    void licencesThatAskForTheirNoticeHaveIt() {
        for (Library library : About.libraries()) {
            for (String name : library.licences()) {
                if (name.startsWith("BSD") || name.equals("MIT")) {
                    assertTrue(About.licence(name).orElseThrow().contains(library.name()), library.name());
                }
            }
        }
    }

    @Test
    void theVersionIsThatOfTheBuild() throws Exception {
        String pom = Files.readString(Path.of("pom.xml"));
        String version = pom.replaceFirst("(?s).*?<version>(.*?)</version>.*", "$1");
        assertFalse(version.isBlank());
        assertEquals(version, About.version());
    }
}
