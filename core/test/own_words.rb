# frozen_string_literal: true

# A file with headings of a device's own, which have to be explained once.
OWN_WORDS =
  'Time [ms],Airspeed [m/s],Rotor speed (1/min),Height above ground ' \
    "[m],Note\n0,30.87,530,100,a\n1000,31,528,98,b\n2000,31.2,525,95,c\n3000,31,524,93,d\n"
