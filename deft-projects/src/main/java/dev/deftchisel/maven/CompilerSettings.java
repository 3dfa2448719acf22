package dev.deftchisel.maven;

import dev.deftchisel.jdk.Jdk;
import dev.deftchisel.workspace.JavaLevel;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Properties;
import java.util.stream.Stream;
import org.apache.maven.model.Model;
import org.apache.maven.model.Plugin;
import org.apache.maven.model.PluginExecution;
import org.codehaus.plexus.util.xml.Xpp3Dom;

/**
 * What a model says to Maven's compiler plugin: in the plugin's own configuration, in that of its executions, or by the
 * user properties of the plugin, in this order.
 */
record CompilerSettings(List<Xpp3Dom> configurations, Properties properties) {

    private static final List<String> STANDARD_EXECUTIONS = List.of("default-compile", "default-testCompile");

    static CompilerSettings of(Model model) {
        List<Xpp3Dom> found = new ArrayList<>();
        for (Plugin plugin : model.getBuild().getPlugins()) {
            if (plugin.getArtifactId().equals("maven-compiler-plugin")) {
                Stream.concat(Stream.of(plugin.getConfiguration()), plugin.getExecutions().stream()
                                .filter(execution -> STANDARD_EXECUTIONS.contains(execution.getId()))
                                .map(PluginExecution::getConfiguration))
                        .filter(Xpp3Dom.class::isInstance).map(Xpp3Dom.class::cast).forEach(found::add);
            }
        }
        return new CompilerSettings(List.copyOf(found), model.getProperties());
    }

    /** The value of a parameter whose user property has the plugin's prefix. */
    Optional<String> text(String parameter) {
        return Stream.concat(configurations.stream().map(one -> one.getChild(parameter)).filter(Objects::nonNull)
                .map(Xpp3Dom::getValue),
                        Stream.of(parameter).map(name -> properties.getProperty("maven.compiler." + name)))
                .filter(Objects::nonNull)
                .map(String::strip)
                .filter(value -> !value.isEmpty())
                .findFirst();
    }

    /** A Java version. */
    Optional<Integer> number(String parameter) {
        return text(parameter).flatMap(Jdk::featureIn);
    }

    /** Elements of a list, for instance {@code compilerArgs}. */
    List<Xpp3Dom> children(String parameter) {
        return configurations.stream().map(one -> one.getChild(parameter)).filter(Objects::nonNull)
                .flatMap(list -> Stream.of(list.getChildren())).toList();
    }

    /** What decides which code the compiler accepts; the value of an option is written after an equals sign. */
    List<String> options() {
        List<String> said = new ArrayList<>();
        children("compilerArgs").stream().map(Xpp3Dom::getValue).filter(Objects::nonNull).map(String::strip)
                .forEach(said::add);
        text("compilerArgument").ifPresent(words -> said.addAll(List.of(words.split("\\s+"))));
        if (text("enablePreview").filter("true"::equals).isPresent()) {
            said.add("--enable-preview");
        }
        return JavaLevel.options(said);
    }
}
