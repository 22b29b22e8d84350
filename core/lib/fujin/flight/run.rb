# frozen_string_literal: true

module Fujin
  module Flight
    # One flown run: the model's truth at each step, SI and radians, in rows of Run::Row.
    class Run
      Row =
        Struct.new(
          *%i[
            t_s north_m east_m height_m v_north v_east v_up air_speed heading pitch bank rotor_pct engine_pct
            collective_share pedal throttle_open power_w phase
          ]
        )

      attr_reader :rows, :model, :contact

      # What the energy account is out by, as a share (Model#energy_residual).
      def energy_residual = model.energy_residual

      # @param limit_s [Float] longest run
      # @param settle_s [Float] how long to go on after the hover or the stop
      # @raise [OutsideModel] when the run's energy does not balance
      def initialize(model, pilot, limit_s: 180.0, settle_s: 6.0)
        @model = model
        @rows = []
        settled = 0.0
        while model.time_s < limit_s && settled < settle_s
          controls = pilot.fly(Model::STEP_S)
          @rows << row(controls, pilot.phase)
          model.step(controls)
          settled = pilot.settled? ? settled + Model::STEP_S : 0.0
        end
        @contact = model.contact
        model.check_energy
      end

      def column(name) = rows.map(&name)

      private

      def row(controls, phase)
        m = model
        wind = m.wind_here
        air = Math.sqrt(((m.velocity[0] - wind[0])**2) + ((m.velocity[1] - wind[1])**2))
        Row.new(
          m.time_s,
          *m.position,
          *m.velocity,
          m.trim.atmosphere.equivalent_speed(air),
          m.heading,
          m.disc_pitch,
          m.bank,
          m.rotor_pct,
          100.0 * m.engine_fraction,
          m.collective_share,
          controls.pedal,
          controls.throttle_open,
          m.power_w,
          phase
        )
      end
    end
  end
end
