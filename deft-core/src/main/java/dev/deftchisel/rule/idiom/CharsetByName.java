package dev.deftchisel.rule.idiom;

import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.value.Constants;
import dev.deftchisel.problem.Effect;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleContext;
import dev.deftchisel.problem.RuleDescription;
import dev.deftchisel.problem.Tag;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** A charset that every platform has, asked for by its name (java.nio.charset.StandardCharsets). */
public final class CharsetByName implements Rule {

    private static final Map<String, String> CONSTANTS = Map.of("UTF-8", "UTF_8", "UTF8", "UTF_8", "US-ASCII",
            "US_ASCII",
            "ISO-8859-1", "ISO_8859_1", "UTF-16", "UTF_16");

    @Override
    public RuleDescription about() {
        return RuleDescription.of("charset-by-name", Tag.IDIOM,
                "A charset that is always there is looked up by its name", Effect.SAME_BEHAVIOUR)
                .because("The constant cannot be misspelt, and no exception has to be handled.")
                .example("""
                        import java.nio.charset.Charset;

                        class Log {
                            Charset charset = Charset.forName("UTF-8");
                        }
                        """, """
                        import java.nio.charset.Charset;
                        import java.nio.charset.StandardCharsets;

                        class Log {
                            Charset charset = StandardCharsets.UTF_8;
                        }
                        """)
                .silentOn("""
                        import java.nio.charset.Charset;

                        class Log {
                            Charset charset = Charset.forName("windows-1252");

                            byte[] bytes(String line) throws java.io.UnsupportedEncodingException {
                                return line.getBytes("UTF-8");
                            }
                        }
                        """);
    }

    @Override
    public Set<Tree.Kind> kinds() {
        return Set.of(Tree.Kind.METHOD_INVOCATION);
    }

    @Override
    public void look(TreePath path, RuleContext context) {
        AttributedFile code = context.code();
        if (!Calls.isOf(code, path, "java.nio.charset.Charset", "forName", 1)) {
            return;
        }
        Optional<String> constant = Constants.value(code,
                new TreePath(path, ((MethodInvocationTree) path.getLeaf()).getArguments().get(0)))
                .flatMap(name -> Optional.ofNullable(CONSTANTS.get(name)));
        constant.ifPresent(name -> context.report(path.getLeaf(), "this charset is always there",
                Fix.of("use the constant",
                edits -> edits.replace(path.getLeaf(), to -> to.write(edits.types().name(
                        code.elements().getTypeElement("java.nio.charset.StandardCharsets")) + "." + name)))));
    }
}
