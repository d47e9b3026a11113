package idlelens.exchange.scenefile;

import java.util.List;
import org.joml.Matrix4d;
import org.joml.Quaterniond;
import org.joml.Vector3d;

/** One factor of a node's transform. Of several, the last stands nearest to what is transformed. */
public sealed interface Op {
  /** What it does at a time of the file. */
  Matrix4d at(double time);

  /** The channels that it reads. */
  List<Channel> channels();

  /** Whether it does the same at all times. */
  default boolean isConstant() {
    return channels().stream().allMatch(Channel::isConstant);
  }

  /** Three numbers, each with a lane of its own. */
  sealed interface Three extends Op {
    Lane x();

    Lane y();

    Lane z();

    default List<Lane> lanes() {
      return List.of(x(), y(), z());
    }

    default Vector3d vectorAt(double time) {
      return new Vector3d(x().at(time), y().at(time), z().at(time));
    }

    @Override
    default boolean isConstant() {
      return lanes().stream().allMatch(Lane::isConstant);
    }

    @Override
    default List<Channel> channels() {
      return lanes().stream().map(Lane::channel).distinct().toList();
    }
  }

  /** A shift, in the file's unit. */
  record Place(Lane x, Lane y, Lane z) implements Three {
    /** Along the three components of a channel. */
    public static Place of(Channel channel) {
      return new Place(new Lane(channel, 0), new Lane(channel, 1), new Lane(channel, 2));
    }

    public Vector3d shiftAt(double time) {
      return vectorAt(time);
    }

    @Override
    public Matrix4d at(double time) {
      return new Matrix4d().translation(shiftAt(time));
    }
  }

  /** A turn, as quaternions. */
  record Turn(Channel turns) implements Op {
    @Override
    public Matrix4d at(double time) {
      return new Matrix4d().rotation(turns.turnAt(time));
    }

    @Override
    public List<Channel> channels() {
      return List.of(turns);
    }
  }

  /**
   * A turn about an axis.
   *
   * @param axis of length 1
   * @param degrees right-handed
   */
  record Spin(Vector3d axis, Lane degrees) implements Op {
    public Quaterniond turnAt(double time) {
      return new Quaterniond().fromAxisAngleRad(axis, Math.toRadians(degrees.at(time)));
    }

    @Override
    public Matrix4d at(double time) {
      return new Matrix4d().rotation(turnAt(time));
    }

    @Override
    public List<Channel> channels() {
      return List.of(degrees.channel());
    }
  }

  /** Sizes along the axes. */
  record Size(Lane x, Lane y, Lane z) implements Three {
    /** Along the three components of a channel. */
    public static Size of(Channel channel) {
      return new Size(new Lane(channel, 0), new Lane(channel, 1), new Lane(channel, 2));
    }

    public Vector3d sizesAt(double time) {
      return vectorAt(time);
    }

    @Override
    public Matrix4d at(double time) {
      return new Matrix4d().scaling(sizesAt(time));
    }
  }

  /** A matrix by columns, its elements mixed one by one between times. */
  record Whole(Channel matrix) implements Op {
    @Override
    public Matrix4d at(double time) {
      double[] m = new double[16];
      for (int i = 0; i < m.length; i++) {
        m[i] = matrix.at(time, i);
      }
      return new Matrix4d().set(m);
    }

    @Override
    public List<Channel> channels() {
      return List.of(matrix);
    }
  }

  /** Another one undone. */
  record Undone(Op op) implements Op {
    @Override
    public Matrix4d at(double time) {
      return op.at(time).invert();
    }

    @Override
    public List<Channel> channels() {
      return op.channels();
    }

    @Override
    public boolean isConstant() {
      return op.isConstant();
    }
  }

  /** What several do together. */
  static Matrix4d product(List<Op> ops, double time) {
    Matrix4d all = new Matrix4d();
    ops.forEach(op -> all.mul(op.at(time)));
    return all;
  }
}
