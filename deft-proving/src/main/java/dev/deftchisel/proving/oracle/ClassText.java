package dev.deftchisel.proving.oracle;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.util.Collection;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.objectweb.asm.ClassReader;
import org.objectweb.asm.ClassVisitor;
import org.objectweb.asm.MethodVisitor;
import org.objectweb.asm.Opcodes;
import org.objectweb.asm.util.Textifier;
import org.objectweb.asm.util.TraceClassVisitor;

/**
 * The whole content of a class file as text, without what may differ between two files of one meaning: the names that
 * the compiler makes up for lambdas (after the method around them), and the method in which it finds serialized ones by
 * a hash of those names.
 *
 * <p>Stack map frames follow from the instructions (JVMS 4.10.1) and are left out.
 *
 * <p>Members are named by the class that declares them. The compiler names the class through which the source reaches
 * them (JLS 13.1), which a qualifier changes without changing what is reached.
 */
final class ClassText {

    private static final Pattern LAMBDA = Pattern.compile("lambda\\$[\\w$]+?\\$(?:[0-9a-f]{6,8}\\$)?(\\d+)\\b");

    private ClassText() {
    }

    static String of(byte[] bytes, ClassIndex index, Collection<String> traces) {
        StringWriter out = new StringWriter();
        ClassVisitor printer = new TraceClassVisitor(null, new Textifier(), new PrintWriter(out));
        new ClassReader(bytes).accept(new Plain(printer, index),
                ClassReader.SKIP_DEBUG | ClassReader.SKIP_FRAMES);
        String text = LAMBDA.matcher(out.toString()).replaceAll("lambda\\$$1");
        String words = traces.stream().filter(trace -> !trace.isEmpty()).map(Pattern::quote)
                .collect(Collectors.joining("|"));
        // also as a type variable in a signature, where letters of primitive types may stand right before it
        return words.isEmpty() ? text : text.replaceAll("\\b([BCDFIJSZV]*T?)(?:" + words + ")\\b", "$1#");
    }

    private static final class Plain extends ClassVisitor {

        private final ClassIndex index;

        Plain(ClassVisitor next, ClassIndex index) {
            super(Opcodes.ASM9, next);
            this.index = index;
        }

        @Override
        public MethodVisitor visitMethod(
                int access, String name, String descriptor, String signature, String[] exceptions) {
            if (name.equals("$deserializeLambda$")) {
                return null;
            }
            MethodVisitor next = super.visitMethod(access, name, descriptor, signature, exceptions);
            return new MethodVisitor(Opcodes.ASM9, next) {
                @Override
                public void visitFieldInsn(int opcode, String owner, String name, String descriptor) {
                    super.visitFieldInsn(opcode, declaring(owner, name, ""), name, descriptor);
                }

                @Override
                public void visitMethodInsn(int opcode, String owner, String name, String descriptor,
                        boolean isInterface) {
                    super.visitMethodInsn(opcode, declaring(owner, name, descriptor), name, descriptor, isInterface);
                }
            };
        }

        private String declaring(String owner, String name, String descriptor) {
            return index.resolve(new ClassIndex.Member(owner, name, descriptor))
                    .map(ClassIndex.Member::owner)
                    .orElse(owner);
        }
    }
}
