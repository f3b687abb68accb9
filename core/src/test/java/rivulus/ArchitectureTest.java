package rivulus;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaModifier;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/// The walls of the house.
@AnalyzeClasses(packages = "rivulus", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {
    @ArchTest
    static final ArchRule theCoreHasNoInterfaceCode =
            noClasses()
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage("javafx..", "java.awt..", "javax.swing..", "picocli..");

    @ArchTest
    static final ArchRule arrowsPointDown =
            layeredArchitecture()
                    .consideringOnlyDependenciesInLayers()
                    .layer("disk")
                    .definedBy("rivulus.disk")
                    .layer("words")
                    .definedBy("rivulus.words")
                    .layer("search")
                    .definedBy("rivulus.search")
                    .layer("gear")
                    .definedBy("rivulus.gear")
                    .layer("show")
                    .definedBy("rivulus.show")
                    .layer("signal")
                    .definedBy("rivulus.signal")
                    .layer("hearing")
                    .definedBy("rivulus.hearing")
                    .layer("rehearse")
                    .definedBy("rivulus.rehearse")
                    .layer("check")
                    .definedBy("rivulus.check")
                    .layer("cure")
                    .definedBy("rivulus.cure")
                    .layer("leads")
                    .definedBy("rivulus.leads")
                    .layer("power")
                    .definedBy("rivulus.power")
                    .layer("computer")
                    .definedBy("rivulus.computer")
                    .layer("timing")
                    .definedBy("rivulus.timing")
                    .layer("rig")
                    .definedBy("rivulus.rig")
                    .layer("readers")
                    .definedBy("rivulus.chart", "rivulus.report", "rivulus.sheet")
                    .layer("intake")
                    .definedBy("rivulus.intake")
                    .layer("file")
                    .definedBy("rivulus.file")
                    .whereLayer("search")
                    .mayOnlyBeAccessedByLayers(
                            "hearing", "check", "cure", "leads", "power", "timing", "rig",
                            "readers", "intake")
                    .whereLayer("readers")
                    .mayNotBeAccessedByAnyLayer()
                    .whereLayer("file")
                    .mayOnlyBeAccessedByLayers("rig", "intake")
                    .whereLayer("intake")
                    .mayNotBeAccessedByAnyLayer()
                    .whereLayer("rehearse")
                    .mayNotBeAccessedByAnyLayer()
                    .whereLayer("cure")
                    .mayOnlyBeAccessedByLayers("readers")
                    .whereLayer("rig")
                    .mayOnlyBeAccessedByLayers("readers", "intake")
                    .whereLayer("timing")
                    .mayOnlyBeAccessedByLayers("rig", "readers")
                    .whereLayer("computer")
                    .mayOnlyBeAccessedByLayers("timing", "rig", "readers")
                    .whereLayer("power")
                    .mayOnlyBeAccessedByLayers("rig", "readers")
                    .whereLayer("leads")
                    .mayOnlyBeAccessedByLayers(
                            "power", "computer", "timing", "rig", "readers", "intake")
                    .whereLayer("check")
                    .mayOnlyBeAccessedByLayers(
                            "cure",
                            "leads",
                            "power",
                            "computer",
                            "timing",
                            "rig",
                            "readers",
                            "intake")
                    .whereLayer("hearing")
                    .mayOnlyBeAccessedByLayers(
                            "check", "cure", "computer", "timing", "rig", "readers")
                    .whereLayer("signal")
                    .mayOnlyBeAccessedByLayers(
                            "hearing",
                            "rehearse",
                            "check",
                            "cure",
                            "computer",
                            "timing",
                            "rig",
                            "readers");

    @ArchTest
    static final ArchRule packagesDoNotGoRound =
            slices().matching("rivulus.(*)..").should().beFreeOfCycles();

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
