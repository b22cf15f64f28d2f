package inkel.core;

import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAnyPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideOutsideOfPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/** Holds which package may know which; {@code docs/architecture.md} shows the same floors as a table. */
@AnalyzeClasses(packages = "inkel.core", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    private static final String HOME = "inkel.core.";

    /** From the ground up: a floor knows those before it. Rooms of one floor do not know each other. */
    private static final List<List<String>> FLOORS = List.of(
            List.of("quantity"),
            List.of("formula"),
            List.of("catalog"),
            List.of("document"),
            List.of("circuit"),
            List.of("finding"),
            List.of("remedy"),
            List.of("parts", "power", "levels", "pins", "wiring", "lines"),
            List.of("seats", "bench", "loop"),
            List.of("drawer"),
            List.of("wake", "tune", "log", "capture"),
            List.of("diagnosis"),
            List.of("checks"),
            List.of("terms"),
            List.of("boards"));

    /** What stands beside the floors, with the rooms of the house that it may know. */
    private static final List<List<String>> BESIDE = List.of(
            List.of("calc", "quantity", "formula"),
            List.of("io.json", "quantity", "document"),
            List.of("io.catalog", "quantity", "formula", "catalog", "document", "io.json"),
            List.of("io.document", "quantity", "catalog", "document", "io.json", "io.catalog"));

    @ArchTest
    static void everyPackageHasItsPlace(JavaClasses all) {
        List<String> known = new ArrayList<>(List.of(HOME + "io"));
        Stream.concat(FLOORS.stream().flatMap(List::stream), BESIDE.stream().map(room -> room.get(0)))
                .forEach(room -> known.add(HOME + room + ".."));
        classes().should().resideInAnyPackage(known.toArray(String[]::new)).check(all);
    }

    @ArchTest
    static void aFloorKnowsOnlyThoseBelow(JavaClasses all) {
        for (int i = 0; i < FLOORS.size(); i++) {
            List<String> barred = new ArrayList<>(List.of(HOME + "io..", HOME + "calc.."));
            for (int above = i + 1; above < FLOORS.size(); above++) {
                FLOORS.get(above).forEach(room -> barred.add(HOME + room + ".."));
            }
            noClasses()
                    .that()
                    .resideInAnyPackage(FLOORS.get(i).stream()
                            .map(room -> HOME + room + "..")
                            .toArray(String[]::new))
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(barred.toArray(String[]::new))
                    .allowEmptyShould(true)
                    .check(all);
        }
    }

    @ArchTest
    static void whatStandsBesideKnowsOnlyWhatItIsGiven(JavaClasses all) {
        for (List<String> room : BESIDE) {
            String[] given = room.stream().map(name -> HOME + name + "..").toArray(String[]::new);
            classes()
                    .that()
                    .resideInAPackage(given[0])
                    .should()
                    .onlyDependOnClassesThat(
                            resideOutsideOfPackage("inkel.core..").or(resideInAnyPackage(given)))
                    .check(all);
        }
    }

    @ArchTest
    static final ArchRule STAGES_DO_NOT_KNOW_EACH_OTHER = slices().matching(
                    "inkel.core.(parts|power|levels|pins|wiring|lines)..")
            .should()
            .notDependOnEachOther();

    @ArchTest
    static final ArchRule WHAT_STANDS_ON_THEM_DOES_NOT_KNOW_EACH_OTHER = slices().matching(
                    "inkel.core.(wake|tune|log)..")
            .should()
            .notDependOnEachOther()
            .allowEmptyShould(true);

    @ArchTest
    static final ArchRule NO_CIRCLES =
            slices().matching("inkel.core.(**)").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule ONLY_IO_KNOWS_JSON = noClasses()
            .that()
            .resideOutsideOfPackage("inkel.core.io..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("com.fasterxml..", "com.networknt..");

    @ArchTest
    static final ArchRule ONLY_THE_MODELS_KNOW_THE_SOLVER = noClasses()
            .that()
            .haveNameNotMatching(".*\\.(PinModel\\w*|\\w*StaggerModel)(\\$.*)?")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("org.chocosolver..");

    @ArchTest
    static final ArchRule NO_INTERFACE_CODE =
            noClasses().should().dependOnClassesThat().resideInAnyPackage("javafx..", "java.awt..", "javax.swing..");

    @ArchTest
    static final ArchRule NO_WORDS_FOR_PEOPLE = noClasses()
            .should()
            .dependOnClassesThat()
            .belongToAnyOf(java.util.ResourceBundle.class, java.text.MessageFormat.class);
}
