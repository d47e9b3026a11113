package idlelens.web;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The arrows between rooms. */
@AnalyzeClasses(packages = "idlelens", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

  @ArchTest
  static final ArchRule CORE_LOOKS_AT_NOTHING_ABOVE =
      classes()
          .that()
          .resideInAPackage("idlelens.core..")
          .should()
          .onlyDependOnClassesThat()
          .resideInAnyPackage("idlelens.core..", "java..", "org.joml..");

  @ArchTest
  static final ArchRule EXCHANGE_LOOKS_AT_CORE_ONLY =
      noClasses()
          .that()
          .resideInAPackage("idlelens.exchange..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("idlelens.web..", "org.springframework..", "org.jooq..");

  @ArchTest
  static final ArchRule ROOMS_OF_CORE_HAVE_NO_CIRCLES =
      slices().matching("idlelens.core.(*)..").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule ROOMS_OF_WEB_HAVE_NO_CIRCLES =
      slices().matching("idlelens.web.(*)..").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule ONLY_REPOSITORIES_AND_THE_DATABASE_SPEAK_SQL =
      noClasses()
          .that()
          .haveSimpleNameNotEndingWith("Repository")
          .and()
          .resideOutsideOfPackages("idlelens.web.database..", "idlelens.web.answer..")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("org.jooq..");

  @ArchTest
  static final ArchRule DOCUMENT_KNOWS_NO_MOTION =
      noClasses()
          .that()
          .resideInAPackage("idlelens.core.scene..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("idlelens.core.motion..", "idlelens.core.edit..");
}
