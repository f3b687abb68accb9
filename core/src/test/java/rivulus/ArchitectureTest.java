package rivulus;

import static com.tngtech.archunit.core.domain.JavaCall.Predicates.target;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.core.domain.properties.HasName.Predicates.nameMatching;
import static com.tngtech.archunit.core.domain.properties.HasOwner.Predicates.With.owner;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import com.tngtech.archunit.library.Architectures.LayeredArchitecture;
import java.util.List;
import java.util.stream.Stream;

/// The walls of the house.
@AnalyzeClasses(packages = "rivulus", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule theCoreHasNoInterfaceCode =
            noClasses()
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage("javafx..", "java.awt..", "javax.swing..", "picocli..");

    /// Every room, each using only those above it.
    private static final List<String> DOWNWARDS =
            List.of(
                    "words",
                    "disk",
                    "search",
                    "sound",
                    "gear",
                    "show",
                    "file",
                    "page",
                    "signal",
                    "hearing",
                    "listening",
                    "least",
                    "leads",
                    "level",
                    "check",
                    "desk",
                    "power",
                    "computer",
                    "timing",
                    "keeping",
                    "rehearse",
                    "rule",
                    "edit",
                    "recording",
                    "rig",
                    "say",
                    "form",
                    "remedy",
                    "mix",
                    "plan",
                    "intake",
                    "chart",
                    "setup",
                    "trouble",
                    "air",
                    "report",
                    "sheet");

    @ArchTest static final ArchRule arrowsPointDown = arrowsPointDown();

    private static ArchRule arrowsPointDown() {
        LayeredArchitecture rooms = layeredArchitecture().consideringOnlyDependenciesInLayers();
        for (String room : DOWNWARDS) rooms = rooms.layer(room).definedBy("rivulus." + room);
        for (int at = 0; at < DOWNWARDS.size(); at++) {
            String[] below = DOWNWARDS.subList(at + 1, DOWNWARDS.size()).toArray(String[]::new);
            var room = rooms.whereLayer(DOWNWARDS.get(at));
            rooms =
                    below.length == 0
                            ? room.mayNotBeAccessedByAnyLayer()
                            : room.mayOnlyBeAccessedByLayers(below);
        }
        return rooms;
    }

    @ArchTest
    static final ArchRule everyRoomIsListed =
            classes()
                    .should()
                    .resideInAnyPackage(
                            Stream.concat(
                                            Stream.of("rivulus"),
                                            DOWNWARDS.stream().map(room -> "rivulus." + room))
                                    .toArray(String[]::new));

    @ArchTest
    static final ArchRule packagesDoNotGoRound =
            slices().matching("rivulus.(*)..").should().beFreeOfCycles();

    /// What is answered does not hang on the hour: only files are told when they were written.
    @ArchTest
    static final ArchRule nobodyLooksAtTheClock =
            noClasses()
                    .that()
                    .resideOutsideOfPackages("rivulus.file", "rivulus.disk")
                    .should()
                    .callMethodWhere(
                            target(nameMatching("now|nanoTime|currentTimeMillis|random"))
                                    .and(target(owner(resideInAPackage("java..")))));

    @ArchTest
    static final ArchRule theDocumentIsImmutable =
            classes()
                    .that()
                    .resideInAnyPackage("rivulus.show", "rivulus.gear")
                    .and()
                    .areNotInterfaces()
                    .and()
                    .doNotHaveModifier(JavaModifier.PRIVATE) // what a copy is made in
                    .should()
                    .haveOnlyFinalFields();
}
