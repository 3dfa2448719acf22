package dev.deftchisel.gradle.script;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How statements of both languages are read; what is on the right is a statement as data. */
class ScriptParserTest {

    private static String shown(List<Statement> statements) {
        return statements.stream().map(ScriptParserTest::shown).collect(Collectors.joining("; "));
    }

    private static String shown(Statement statement) {
        String sign = switch (statement.kind()) {
            case CALL -> "";
            case ASSIGN -> "=";
            case ADD -> "+=";
            case UNREAD -> "?";
        };
        String block = statement.block().isEmpty() ? "" : "{" + shown(statement.block()) + "}";
        return statement.name() + sign + (statement.arguments().isEmpty() ? "" : shownArguments(statement.arguments()))
                + block;
    }

    private static String shownArguments(List<Value.Argument> arguments) {
        return arguments.stream().map(argument -> (argument.name().isEmpty() ? "" : argument.name() + ":")
                + shown(argument.value()))
                .collect(Collectors.joining(" ", "(", ")"));
    }

    private static String shown(Value value) {
        if (value instanceof Value.Text text) {
            return (text.hasPlaceholders() ? "$" : "") + "'" + text.text() + "'";
        } else if (value instanceof Value.Reference reference) {
            return reference.name();
        } else if (value instanceof Value.Call call) {
            return call.name() + shownArguments(call.arguments())
                    + (call.block().isEmpty() ? "" : "{" + shown(call.block()) + "}");
        } else if (value instanceof Value.Many many) {
            return many.values().stream().map(ScriptParserTest::shown).collect(Collectors.joining(" ", "[", "]"));
        } else if (value instanceof Value.Joined joined) {
            return joined.values().stream().map(ScriptParserTest::shown).collect(Collectors.joining("+"));
        }
        return value.getClass().getSimpleName().toUpperCase(Locale.ROOT);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            implementation 'a:b:1'                                | implementation('a:b:1')
            implementation("a:b:1")                               | implementation('a:b:1')
            implementation 'a:b:1', 'c:d:2'                       | implementation('a:b:1' 'c:d:2')
            implementation "a:b:$v"                               | implementation($'a:b:$v')
            implementation("a:b:" + v)                            | implementation('a:b:'+v)
            implementation group: 'a', name: 'b', version: '1'    | implementation(group:'a' name:'b' version:'1')
            implementation(group = "a", name = "b")               | implementation(group:'a' name:'b')
            implementation project(':berths')                     | implementation(project(':berths'))
            implementation(project(path = ":berths"))             | implementation(project(path::berths))
            implementation(libs.guava)                            | implementation(libs.guava)
            implementation libs.versions.guava.get()              | implementation(libs.versions.guava.get())
            implementation('a:b:1') { exclude group: 'x' }        | implementation('a:b:1'){exclude(group:'x')}
            id 'java' version '1' apply false                     | id('java' version:'1' apply:false)
            id("java") version "1"                                | id('java' version:'1')
            apply plugin: 'java'                                  | apply(plugin:'java')
            java { toolchain { languageVersion = x(17) } }        | java{toolchain{languageVersion=(x('17'))}}
            options.release.set(17)                               | options.release=('17')
            options.compilerArgs += ['-a', '-b']                  | options.compilerArgs+=(['-a' '-b'])
            val v: String = "1"                                   | v=('1')
            def v = '1'                                           | v=('1')
            String v = '1'                                        | v=('1')
            val v by extra("1")                                   | v=(extra('1'))
            extra["v"] = "1"                                      | extra.v=(of:'v' '1')
            ext.v = '1'                                           | ext.v=('1')
            tasks.withType<JavaCompile>().configureEach { a = 1 } | tasks.withType.configureEach{a=('1')}
            tasks.named('x') { it.a = 1 }                         | tasks.named('x'){it.a=('1')}
            x { a, b -> c d }                                     | x{c(d)}
            if (a == b) { include 'x' } else { include 'y' }      | if?{include('x'); include('y')}
            v = a ? b : c                                         | v=(COMPUTED)
            project(":a").projectDir = file("x")                  | project.projectDir=(of::a file('x'))
            a /* b */ 'c' // d                                    | a('c')
            "implementation"("a:b:1")                             | implementation('a:b:1')
            """)
    void oneStatement(String script, String expected) {
        assertEquals(expected.replace("(path::berths)", "(path:':berths')").replace("of::a ", "of:':a' "),
                shown(ScriptParser.parse(script)));
    }

    @Test
    void backticksMakeAName() {
        assertEquals("plugins{java-library}", shown(ScriptParser.parse("plugins { `java-library` }")));
    }

    @Test
    void statementsEndWithTheirLines() {
        assertEquals("a('1'); b{c('2'); d}; e('3' '4')", shown(ScriptParser.parse("""
                a '1'
                b {
                    c '2'; d
                }
                e '3',
                    '4'
                """)));
    }

    @Test
    void aChainMayGoOnBelow() {
        assertEquals("a.b.c('1' '2')", shown(ScriptParser.parse("a(\"1\")\n    .b()\n    .c('2')\n")));
    }

    @Test
    void linesAreCountedInLongStrings() {
        List<Statement> statements = ScriptParser.parse("a = '''\n\n'''\nb 'c'\n");
        assertEquals(List.of(1, 4), statements.stream().map(Statement::line).toList());
    }

    @ParameterizedTest
    @CsvSource({"'a {'", "'a ('", "'}}}'", "'\"'", "'a = ['", "'[[['", "'a b ? {'", "'/*'", "'@'", "'a.'", "'val'"})
    void whatIsBrokenIsReadToItsEnd(String script) {
        assertEquals("b('c')", shown(ScriptParser.parse(script.startsWith("}") ? "b 'c'" : "b 'c'\n" + script)
                .subList(0, 1)));
        ScriptParser.parse(script);
    }
}
