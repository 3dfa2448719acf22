package dev.deftchisel.proving.mend;

import com.sun.source.tree.CaseTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.IdentifierTree;
import com.sun.source.tree.ImportTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.ReturnTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.TypeCastTree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import com.sun.source.util.TreePathScanner;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TreePaths;
import dev.deftchisel.source.Range;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;

/** The ways in which people break code while they work on it. */
enum Planting {
    /** An import is gone. */
    IMPORT {
        @Override
        Optional<Break> at(TreePath path, AttributedFile code, Random random) {
            return path.getLeaf() instanceof ImportTree line && !line.isStatic() && !line.toString().contains("*")
                    ? Optional.of(new Break(code.range(line), "")) : Optional.empty();
        }
    },
    /** A result is not returned. */
    RETURN {
        @Override
        Optional<Break> at(TreePath path, AttributedFile code, Random random) {
            return path.getLeaf() instanceof ReturnTree result && result.getExpression() != null
                    ? Optional.of(new Break(code.range(result), "")) : Optional.empty();
        }
    },
    /** A cast is missing. */
    CAST {
        @Override
        Optional<Break> at(TreePath path, AttributedFile code, Random random) {
            return path.getLeaf() instanceof TypeCastTree cast
                    ? Optional.of(new Break(new Range(code.range(cast).start(), code.range(cast.getExpression())
                            .start()), ""))
                    : Optional.empty();
        }
    },
    /** A case of a switch is missing. */
    CASE {
        @Override
        Optional<Break> at(TreePath path, AttributedFile code, Random random) {
            return path.getLeaf() instanceof CaseTree group ? Optional.of(new Break(code.range(group), ""))
                    : Optional.empty();
        }
    },
    /** A variable has no value. */
    INITIALISER {
        @Override
        Optional<Break> at(TreePath path, AttributedFile code, Random random) {
            return path.getLeaf() instanceof VariableTree variable && variable.getInitializer() != null
                    && code.saysType(variable)
                    && code.find(variable.getInitializer()).isPresent()
                    ? Optional.of(new Break(new Range(code.tokens()
                            .end(code.tokens().codeBefore(code.tokens().codeBefore(
                            code.tokens().at(code.range(variable.getInitializer()).start()) - 1) - 1)),
                            code.range(variable.getInitializer()).end()), "")) : Optional.empty();
        }
    },
    /** An exception is not declared. */
    EXCEPTION {
        @Override
        Optional<Break> at(TreePath path, AttributedFile code, Random random) {
            if (!(path.getLeaf() instanceof MethodTree method) || method.getThrows().isEmpty()) {
                return Optional.empty();
            }
            int word = code.tokens().codeBefore(code.tokens().at(code.range(method.getThrows().get(0)).start()) - 1);
            return Optional.of(new Break(new Range(code.tokens().start(word),
                    code.range(method.getThrows().get(method.getThrows().size() - 1)).end()), ""));
        }
    },
    /** A method that must be there is not. */
    OVERRIDE {
        @Override
        Optional<Break> at(TreePath path, AttributedFile code, Random random) {
            return path.getLeaf() instanceof MethodTree method && method.getModifiers().toString().contains("@Override")
                    ? Optional.of(new Break(code.range(method), "")) : Optional.empty();
        }
    },
    /** A name is misspelt. */
    NAME {
        @Override
        Optional<Break> at(TreePath path, AttributedFile code, Random random) {
            boolean isName = (path.getLeaf() instanceof IdentifierTree || path.getLeaf() instanceof MemberSelectTree)
                    && code.find(path.getLeaf()).isPresent()
                    && !TreePaths.leadsThrough(path, null, tree -> tree instanceof ImportTree);
            if (!isName) {
                return Optional.empty();
            }
            String name = path.getLeaf() instanceof IdentifierTree simple ? simple.getName().toString()
                    : ((MemberSelectTree) path.getLeaf()).getIdentifier().toString();
            if (name.length() < 4 || name.equals("this") || name.equals("super") || name.equals("class")
                    || name.equals("length")) {
                return Optional.empty();
            }
            int end = code.range(path.getLeaf()).end();
            int letter = 1 + random.nextInt(name.length() - 2);
            String other = random.nextBoolean() ? name.substring(0, letter) + name.substring(letter + 1)
                    : name.substring(0, letter) + name.charAt(letter + 1) + name.charAt(letter)
                    + name.substring(letter + 2);
            return Optional.of(new Break(new Range(end - name.length(), end), other));
        }
    },
    /** An argument is missing, or two have changed places. */
    ARGUMENT {
        @Override
        Optional<Break> at(TreePath path, AttributedFile code, Random random) {
            if (!(path.getLeaf() instanceof MethodInvocationTree call) || call.getArguments().isEmpty()) {
                return Optional.empty();
            }
            List<? extends ExpressionTree> all = call.getArguments();
            if (all.size() > 1 && random.nextBoolean()) {
                Range one = code.range(all.get(0));
                Range other = code.range(all.get(1));
                return Optional.of(new Break(new Range(one.start(), other.end()),
                        code.text(other) + code.text(new Range(one.end(), other.start())) + code.text(one)));
            }
            Range last = code.range(all.get(all.size() - 1));
            int start = all.size() > 1 ? code.range(all.get(all.size() - 2)).end() : last.start();
            return Optional.of(new Break(new Range(start, last.end()), ""));
        }
    };

    /**
     * What is written instead of a stretch of code.
     *
     * @param range in the text as it was
     */
    record Break(Range range, String text) {

        String in(String content) {
            return content.substring(0, range.start()) + text + content.substring(range.end());
        }
    }

    /** How a tree is broken in this way; empty where it is of another sort. */
    abstract Optional<Break> at(TreePath path, AttributedFile code, Random random);

    /** All places of a file at which it can be broken in this way. */
    List<Break> in(AttributedFile code, Random random) {
        List<Break> found = new ArrayList<>();
        new TreePathScanner<Void, Void>() {
            @Override
            public Void scan(Tree tree, Void unused) {
                if (tree != null && code.find(tree).isPresent()) {
                    at(new TreePath(getCurrentPath(), tree), code, random).ifPresent(found::add);
                }
                return super.scan(tree, null);
            }
        }.scan(new TreePath(code.unit()), null);
        return found;
    }
}
